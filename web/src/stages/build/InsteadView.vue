<script setup lang="ts">
import { computed } from 'vue'
import { api, got, type Build } from '@/api/client'
import { useCard } from '@/card/card'
import { useFetched } from '@/lib/fetched'
import ChoiceList from '@/ui/ChoiceList.vue'
import DeskCard from '@/drawing/DeskCard.vue'
import StatusMark from '@/ui/StatusMark.vue'
import TheFigure from '@/ui/TheFigure.vue'
import PlainWords from '@/ui/PlainWords.vue'

/** A piece as it is, left out, and of something else, each on the card, to look at side by side. */
const { build } = defineProps<{ build: Build }>()
const store = useCard()
const pieces = computed(() => [...build.pieces, ...build.inside])
const piece = computed({
  get: () => pieces.value.find((one) => one.key === store.piece)?.key ?? pieces.value[0]?.key ?? 0,
  set: (key) => (store.piece = key),
})
const inside = computed(() => build.inside.some((one) => one.key === piece.value))
const { data: ways } = useFetched(
  () => [piece.value, build],
  () =>
    piece.value
      ? got(
          api.GET('/api/cards/{id}/build/pieces/{key}/instead', {
            params: { path: { id: store.card!.id, key: piece.value } },
          }),
        )
      : null,
)
const desk = (parts: NonNullable<typeof ways.value>[number]['parts']) => ({
  ...store.card!.desk,
  parts,
  inside: [],
})
</script>

<template>
  <section aria-label="Something else">
    <p v-if="!pieces.length" class="panel p-4">
      Lay a piece first; then it can be looked at in black, white, kraft, metal or inked by
      yourself, and left out.
    </p>
    <template v-else>
      <div class="mb-4 flex flex-wrap items-end gap-4">
        <div class="w-64">
          <span class="label">Of the piece</span>
          <ChoiceList
            v-model="piece"
            label="Of the piece"
            :options="pieces.map((one) => ({ value: one.key, words: one.name }))"
          />
        </div>
        <p class="pb-2 text-soft">
          {{ inside ? 'Inside.' : '' }} Look at them from where the card will be looked at.
        </p>
      </div>
      <p v-if="!ways" class="text-soft">Laying each of them out …</p>
      <ul v-else class="grid grid-cols-[repeat(auto-fill,minmax(236px,1fr))] gap-4">
        <li v-for="(way, n) in ways" :key="n" class="panel overflow-hidden">
          <div class="h-44 bg-wall p-3">
            <DeskCard :desk="desk(way.parts)" :words="way.words" />
          </div>
          <div class="flex items-start gap-2 p-3">
            <StatusMark :status="way.stands?.status ?? null" />
            <p class="min-w-0 flex-1 text-xs">
              <b class="block text-sm break-words">{{ way.words }}</b>
              <span class="block"><PlainWords :text="way.note" /></span>
              <span v-if="way.stands" class="block text-soft">
                {{ way.stands.reason }} <TheFigure tip :text="way.stands.figure" />
              </span>
            </p>
            <button
              v-if="way.change"
              type="button"
              class="button text-xs"
              :aria-label="`Take it: ${way.words}`"
              :disabled="store.busy"
              @click="store.apply(way)"
            >
              Take it
            </button>
          </div>
        </li>
      </ul>
      <p v-if="ways && ways.length > 2" class="mt-4 max-w-prose text-xs text-soft">
        Card that is inked by oneself is a prediction. Metal turns with the light, and a screen
        shows none of it. Edges alone are enough where the middle is covered.
      </p>
    </template>
  </section>
</template>
