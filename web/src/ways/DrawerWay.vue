<script setup lang="ts">
import { computed } from 'vue'
import { api, got } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import LandedList from './LandedList.vue'
import { COLUMNS } from './starting'
import { useWays } from './ways'

/** Three that go together and one accent, out of what there is. */
const { column, owned } = useWays()
const question = computed(() => ({ column: column.value, owned: owned.value }))
const { data, refresh } = useFetched(question, () =>
  got(api.GET('/api/palettes/drawer', { params: { query: question.value } })),
)
const medium = computed(() => COLUMNS.find((one) => one.value === column.value)!.words)
</script>

<template>
  <div>
    <p v-if="!data" class="text-soft">Trying what goes together …</p>
    <template v-else>
      <p class="mb-4 text-soft">
        Three {{ medium }} that go together and one accent, out of {{ data.count
        }}{{ owned ? ' that you own' : '' }}: first those whose hues keep their rule best, with the
        widest light to dark, and lettering that reads.
      </p>
      <p v-if="!data.landings.length" class="panel max-w-xl p-5">
        {{ data.count }} {{ medium }} are too few, or too grey, for three and an accent.
        {{
          owned
            ? 'Put what you own into your drawer, or look among all supplies.'
            : 'Choose another medium.'
        }}
      </p>
      <LandedList :landings="data.landings" @changed="refresh" />
    </template>
  </div>
</template>
