<script setup lang="ts">
import { TrashIcon } from '@heroicons/vue/20/solid'
import { computed, ref, watch } from 'vue'
import { api, got, type Area, type Change, type Colouring } from '@/api/client'
import { colouredWithValues, extentValues, thingValues } from '@/api/schema'
import { useCard } from '@/card/card'
import { useFetched } from '@/lib/fetched'
import { useOnlyOwned } from '@/lib/owned'
import { useSession } from '@/lib/session'
import { choices, plural } from '@/lib/words'
import ChoiceList from '@/ui/ChoiceList.vue'
import OnOff from '@/ui/OnOff.vue'
import FamilyOffers from './FamilyOffers.vue'
import FamilyStairs from './FamilyStairs.vue'

/** What is said of an area, its family, and what else it could be. */
const { area, colouring } = defineProps<{ area: Area; colouring: Colouring }>()
const store = useCard()
const session = useSession()
const owned = useOnlyOwned()
const count = ref(0)
const name = ref(area.name)
watch(
  () => area.name,
  (value) => (name.value = value),
)
type Edit = Omit<Extract<Change, { kind: 'edit_area' }>, 'kind' | 'key'>
const edit = (told: Edit) => store.change({ kind: 'edit_area', key: area.key, ...told })
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

// Of the areas as they stand now: one that was just left out has no families.
const { data: offers } = useFetched(
  () => [colouring, owned.value, count.value],
  () =>
    got(
      api.GET('/api/cards/{id}/areas/{key}/families', {
        params: {
          path: { id: store.card!.id, key: area.key },
          query: { owned: owned.value, tones: count.value },
        },
      }),
    ),
)
const choose = (family: number[]) =>
  store.change({ kind: 'set_families', families: [{ key: area.key, colours: family }] })
</script>

<template>
  <section class="panel min-w-0 p-4" :aria-label="`The area ${area.name}`">
    <div class="mb-3 flex gap-2">
      <input
        v-model="name"
        class="input font-title !text-base font-semibold"
        aria-label="Name of the area"
        :maxlength="session.limits?.name"
        @change="edit({ name })"
      />
      <button
        type="button"
        class="button button-plain"
        :aria-label="`Leave the area ${area.name} out`"
        @click="store.change({ kind: 'remove_area', key: area.key })"
      >
        <TrashIcon class="size-4" aria-hidden="true" />
      </button>
    </div>
    <div class="mb-3 grid grid-cols-[1fr_1fr_1.3fr] gap-2">
      <ChoiceList
        :model-value="area.colour ?? 0"
        label="Palette colour"
        :options="colours"
        @update:model-value="edit({ colour: $event })"
      />
      <ChoiceList
        :model-value="area.thing"
        label="What it is"
        :options="choices(thingValues)"
        @update:model-value="edit({ thing: $event })"
      />
      <ChoiceList
        :model-value="area.medium"
        label="Coloured with"
        :options="choices(colouredWithValues)"
        @update:model-value="edit({ coloured_with: $event })"
      />
      <ChoiceList
        :model-value="area.extent"
        label="How big"
        :options="extentValues.map((value) => ({ value, words: `${value} area` }))"
        @update:model-value="edit({ extent: $event })"
      />
      <ChoiceList
        :model-value="area.layers"
        label="Layers"
        :options="LAYERS"
        @update:model-value="edit({ layers: $event })"
      />
      <OnOff :model-value="area.focal" @update:model-value="edit({ focal: $event })">focal</OnOff>
    </div>
    <p v-if="area.note" class="mb-3 text-xs">{{ area.note }}</p>
    <FamilyStairs :area="area" @choose="choose" @unglaze="edit({ glaze: 0 })" />
    <FamilyOffers
      v-if="offers"
      v-model:count="count"
      :area="area"
      :offers="offers"
      :greys="colouring.greys"
      @choose="choose"
      @glaze="edit({ glaze: $event })"
    />
  </section>
</template>
