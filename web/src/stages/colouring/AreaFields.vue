<script setup lang="ts">
import { computed } from 'vue'
import type { Area, Change } from '@/api/client'
import { colouredWithValues, extentValues, thingValues } from '@/api/schema'
import { useSession } from '@/lib/session'
import { choices, plural } from '@/lib/words'
import ChoiceList from '@/ui/ChoiceList.vue'
import OnOff from '@/ui/OnOff.vue'
import { usePicture } from './picture'

/** What is said of one area, or of several at once: where they differ nothing is shown as chosen. */
const { areas, others } = defineProps<{
  areas: Area[]
  others: { value: number; words: string }[]
}>()
const { store } = usePicture()
const session = useSession()
type Edit = Omit<Extract<Change, { kind: 'edit_areas' }>, 'kind' | 'keys'>
const keys = computed(() => areas.map((one) => one.key))
const edit = (told: Edit) => store.change({ kind: 'edit_areas', keys: keys.value, ...told })
/** What all of them have; nothing that could be chosen where they differ. */
function shared<Key extends keyof Area>(key: Key): Area[Key] {
  const first = areas[0]![key]
  return areas.every((one) => one[key] === first) ? first : ('' as Area[Key])
}
const colours = computed(() => [
  { value: 0, words: 'no colour' },
  ...store.card!.colours.map((one, n) => ({
    value: one.key,
    words: `${n + 1} ${one.name}`,
    shade: one.shades[session.view],
  })),
])
const LAYERS = (session.limits?.area_layers ?? []).map((value) => ({
  value,
  words: plural(value, 'layer'),
}))
/** Ink is brushed on through a stencil, which its name does not say. */
const WITH = choices(colouredWithValues).map(({ value, words }) => ({
  value,
  words: value.endsWith(' pad') ? `${words}, through a stencil` : words,
}))
</script>

<template>
  <div class="mb-3 grid grid-cols-[1fr_1fr_1.3fr] gap-2">
    <ChoiceList
      :model-value="shared('colour') ?? 0"
      label="Palette colour"
      :options="colours"
      @update:model-value="edit({ colour: $event })"
    />
    <ChoiceList
      :model-value="shared('thing')"
      label="What it is"
      :options="choices(thingValues)"
      @update:model-value="edit({ thing: $event })"
    />
    <ChoiceList
      :model-value="shared('medium')"
      label="Coloured with"
      :options="WITH"
      @update:model-value="edit({ coloured_with: $event })"
    />
    <ChoiceList
      :model-value="shared('extent')"
      label="How big"
      :options="extentValues.map((value) => ({ value, words: `${value} area` }))"
      @update:model-value="edit({ extent: $event })"
    />
    <ChoiceList
      :model-value="shared('layers')"
      label="Layers"
      :options="LAYERS"
      @update:model-value="edit({ layers: $event })"
    />
    <OnOff
      :model-value="areas.every((one) => one.focal)"
      @update:model-value="edit({ focal: $event })"
      >focal</OnOff
    >
    <ChoiceList
      v-if="others.length > 1"
      class="col-span-3"
      :model-value="shared('like') ?? 0"
      label="Coloured as"
      :options="others"
      @update:model-value="store.change({ kind: 'follow_area', keys, like: $event || null })"
    />
  </div>
</template>
