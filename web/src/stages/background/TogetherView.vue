<script setup lang="ts">
import { CheckIcon, XMarkIcon, ExclamationTriangleIcon } from '@heroicons/vue/16/solid'
import { api, got, type Join } from '@/api/client'
import { useCard } from '@/card/card'
import { useFetched } from '@/lib/fetched'
import { useSession } from '@/lib/session'
import { inWords } from '@/lib/words'
import TheFigure from '@/ui/TheFigure.vue'
import JoinStrip from './JoinStrip.vue'
import { useGround } from './ground'

/** The best order of the pads, and what each two of them make. */
const store = useCard()
const session = useSession()
const { set } = useGround()
const { data: made } = useFetched(
  () => store.card?.version,
  () => got(api.GET('/api/cards/{id}/ground/make', { params: { path: { id: store.card!.id } } })),
)
const MARKS = {
  clean: CheckIcon,
  softens: ExclamationTriangleIcon,
  'meets-in-brown': ExclamationTriangleIcon,
  muddy: XMarkIcon,
}
/** How pads meet, in words. */
const met = (join: Join) => (join.meeting ? inWords(join.meeting) : 'not predicted')
</script>

<template>
  <div v-if="made?.best">
    <section aria-labelledby="best-order" class="mb-5">
      <h2 id="best-order" class="mb-2 text-sm">Best order</h2>
      <p v-if="made.best.same">They stand in it: {{ made.best.words }}.</p>
      <button
        v-else
        type="button"
        class="flex w-full cursor-pointer items-center gap-3 rounded-data border border-line bg-sheet p-1 text-left hover:border-ink"
        :disabled="store.busy"
        @click="set({ pads: made.best.pads })"
      >
        <span class="flex w-[220px] shrink-0">
          <JoinStrip
            v-for="(join, n) in made.best.joins"
            :key="n"
            :join="join"
            class="h-8 flex-1"
          />
        </span>
        <span class="min-w-0">
          {{ made.best.words }}:
          <b>{{ [...new Set(made.best.joins.map(met))].join(', ') }}</b>
        </span>
      </button>
    </section>
    <section aria-labelledby="they-make">
      <h2 id="they-make" class="mb-1 text-sm">What these make together</h2>
      <p class="mb-2 text-soft">{{ made.words }}</p>
      <ul class="grid grid-cols-2 gap-1 lg:grid-cols-3">
        <li
          v-for="one in made.overlaps"
          :key="one.words"
          class="flex items-center gap-2 rounded-data border border-line bg-sheet text-xs"
        >
          <span
            class="w-10 shrink-0 self-stretch"
            :style="{ background: one.shades[session.view] }"
          />
          <span class="min-w-0 flex-1 py-1">
            <span class="flex items-center gap-1">
              <component :is="MARKS[one.meeting]" class="size-3.5 shrink-0" aria-hidden="true" />
              <b class="text-sm">{{ one.hue_name }}</b>
              <span class="sr-only">{{ inWords(one.meeting) }}</span>
            </span>
            <span class="block"
              >{{ one.words }} <TheFigure tip :text="`± ${one.uncertainty}`"
            /></span>
            <span v-if="one.like && one.like.verdict !== 'far'" class="block truncate">
              {{ inWords(one.like.verdict) }}: {{ one.like.name }}
            </span>
          </span>
        </li>
      </ul>
    </section>
  </div>
</template>
