<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Plan } from '@/api/client'
import AppDialog from '@/ui/AppDialog.vue'
import ChoiceList from '@/ui/ChoiceList.vue'
import FindColour, { type Picked } from '@/ui/FindColour.vue'
import { usePlan } from './plan'

/** Something else was used than planned: for what, instead of which, and what. */
const { tasks } = defineProps<{
  tasks: readonly Pick<Plan['tasks'][number], 'key' | 'words' | 'supplies'>[]
}>()
const emit = defineEmits<{ close: [] }>()
const work = usePlan()
const places = computed(() =>
  tasks.flatMap((task) =>
    task.supplies
      .filter((one) => one.id !== null)
      .map((one) => ({ of: task.words, was: one.id!, words: one.words, shade: one.shades.colour })),
  ),
)
const chosen = ref(0)
const options = computed(() =>
  places.value.map((one, value) => ({
    value,
    words: `${one.words} – ${one.of}`,
    shade: one.shade,
  })),
)
async function take(picked: Picked) {
  const place = places.value[chosen.value]
  if (!place || !('swatch' in picked)) return
  if (await work.instead({ of: place.of, was: place.was, taken: picked.swatch.id })) emit('close')
}
</script>

<template>
  <AppDialog title="I used something else" @close="emit('close')">
    <p v-if="!places.length">No supply is planned here that another could stand in for.</p>
    <template v-else>
      <span class="label">Instead of</span>
      <ChoiceList v-model="chosen" class="mb-4" label="Instead of" :options="options" />
      <span class="label">I used</span>
      <FindColour act="that is what I used" @pick="take" @leave="emit('close')" />
    </template>
  </AppDialog>
</template>
