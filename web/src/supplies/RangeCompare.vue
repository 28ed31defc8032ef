<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRanges } from '@/lib/ranges'
import { api, got, type WholeRange } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import ChoiceList from '@/ui/ChoiceList.vue'
import TwinList from './TwinList.vue'

/** Two ranges: which colours have a twin, and which have none. */
const { range } = defineProps<{ range: WholeRange }>()
const other = ref(0)
const ranges = useRanges()
const options = computed(() =>
  (ranges.value ?? [])
    .filter((one) => one.id !== range.id)
    .sort((a, b) => Number(b.medium === range.medium) - Number(a.medium === range.medium))
    .map((one) => ({ value: one.id, words: `${one.name}, ${one.medium}` })),
)
const chosen = computed(() => other.value || options.value[0]?.value || 0)
const { data } = useFetched(chosen, () =>
  chosen.value
    ? got(
        api.GET('/api/ranges/{id}/compare', {
          params: { path: { id: range.id }, query: { other: chosen.value } },
        }),
      )
    : null,
)
</script>

<template>
  <div>
    <ChoiceList
      :model-value="chosen"
      label="Compare with"
      class="mb-5 w-72"
      :options="options"
      @update:model-value="(id) => (other = id)"
    />
    <p v-if="!data" class="text-soft">Comparing …</p>
    <div v-else class="grid gap-8 lg:grid-cols-2">
      <TwinList :title="`${range.name}, and what it has in ${data.name}`" :rows="data.here" />
      <TwinList :title="`${data.name}, and what it has in ${range.name}`" :rows="data.there" />
    </div>
  </div>
</template>
