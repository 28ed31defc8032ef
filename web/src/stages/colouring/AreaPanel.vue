<script setup lang="ts">
import { TrashIcon } from '@heroicons/vue/20/solid'
import { computed, ref, watch } from 'vue'
import { api, got, type Area } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useOnlyOwned } from '@/lib/owned'
import { useSession } from '@/lib/session'
import AreaFields from './AreaFields.vue'
import FamilyOffers from './FamilyOffers.vue'
import FamilyStairs from './FamilyStairs.vue'
import { usePicture } from './picture'

/** What is said of an area, its family, and what else it could be. */
const { area, others } = defineProps<{ area: Area; others: { value: number; words: string }[] }>()
const { store, picture } = usePicture()
const session = useSession()
const owned = useOnlyOwned('cards')
const count = ref(0)
const name = ref(area.name)
watch(
  () => area.name,
  (value) => (name.value = value),
)
const glaze = (id: number) => store.change({ kind: 'edit_areas', keys: [area.key], glaze: id })
const followed = computed(() => others.find((one) => one.value === area.like)?.words)

// Of the areas as they stand now: one that was just left out has no families.
const { data: offers } = useFetched(
  () => [picture.value, owned.value, count.value],
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
        @change="store.change({ kind: 'edit_areas', keys: [area.key], name })"
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
    <AreaFields :areas="[area]" :others="others" />
    <p v-if="followed" class="mb-3 border-l-2 border-ink pl-3 text-xs">
      It is coloured {{ followed }}, and follows it until something else is said of it.
    </p>
    <p v-if="area.note" class="mb-3 text-xs">{{ area.note }}</p>
    <FamilyStairs :area="area" @choose="choose" @unglaze="glaze(0)" />
    <FamilyOffers
      v-if="offers"
      v-model:count="count"
      :area="area"
      :offers="offers"
      :greys="picture.greys"
      @choose="choose"
      @glaze="glaze"
    />
  </section>
</template>
