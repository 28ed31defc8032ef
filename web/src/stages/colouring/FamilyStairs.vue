<script setup lang="ts">
import { CheckIcon, ExclamationTriangleIcon, XMarkIcon } from '@heroicons/vue/16/solid'
import { computed, ref } from 'vue'
import type { Area } from '@/api/client'
import { useCard } from '@/card/card'
import { useSession } from '@/lib/session'
import OwnedCorner from '@/ui/OwnedCorner.vue'
import KeepFamily from './KeepFamily.vue'
import ToneDialog from './ToneDialog.vue'
import TheFigure from '@/ui/TheFigure.vue'
import PlainWords from '@/ui/PlainWords.vue'

/** A family as a flight of stairs, each tread at its tone's lightness, with what is wrong with it. */
const { area } = defineProps<{ area: Area }>()
const emit = defineEmits<{ choose: [family: number[]]; unglaze: [] }>()
const store = useCard()
const session = useSession()
const changing = ref(-2) // the place of a tone, −1 for one more, −2 for none
const keeping = ref(false)
const unlike = computed(() => {
  if (area.likeness !== 'cousin') return ''
  const name = store.card!.colours.find((one) => one.key === area.colour)?.name
  return `Its nearest tone is a cousin of ${name}.`
})
const HEIGHT = 150
const ids = computed(() => area.tones.map((tone) => tone.swatch.id))
const top = (lightness: number) => `${Math.round(((100 - lightness) / 100) * (HEIGHT - 30))}px`

function step(at: number) {
  const { lightness, hue } = area.judgement!
  const turn = hue[at] == null ? '' : `, ${hue[at]}°`
  return `ΔL* ${lightness[at]!.toFixed(0)}${turn}`
}
function replace(id: number | null) {
  const at = changing.value
  const rest = ids.value.filter((_, n) => n !== at)
  changing.value = -2
  emit('choose', id === null ? rest : [...rest.filter((one) => one !== id), id])
}
</script>

<template>
  <div class="mb-4">
    <p v-if="area.lost" class="mb-2 border-l-2 border-ink pl-3">
      {{ area.lost }} of its tones left your supplies; they stand in as they were known.
    </p>
    <template v-if="area.tones.length">
      <div class="flex" :style="{ height: `${HEIGHT}px` }">
        <div
          v-for="(tone, n) in area.tones"
          :key="tone.swatch.id"
          class="flex min-w-0 flex-1 flex-col"
          :style="{ paddingTop: top(tone.lightness) }"
        >
          <span v-if="n && area.judgement" class="-mt-5 h-5 truncate pl-1 text-xs">
            <TheFigure :text="step(n - 1)" />
          </span>
          <span class="flex-1" :style="{ background: tone.shades[session.view] }" />
        </div>
        <div
          v-if="area.glaze"
          class="flex min-w-0 flex-1 flex-col"
          :style="{ paddingTop: top(area.glaze.lightness) }"
        >
          <span class="flex-1" :style="{ background: area.glaze.shades[session.view] }" />
        </div>
      </div>
      <ol class="flex">
        <li v-for="(tone, n) in area.tones" :key="tone.swatch.id" class="min-w-0 flex-1 text-xs">
          <button
            type="button"
            class="relative w-full cursor-pointer border border-line px-1.5 py-1 text-left hover:border-ink"
            :class="{ 'border-dashed': tone.predicted }"
            :title="`${tone.swatch.range_name} ${tone.swatch.label}, L* ${tone.lightness}, ± ${tone.uncertainty}${tone.predicted ? ', predicted' : ''}`"
            @click="changing = n"
          >
            <span class="block text-soft">{{ tone.name }}</span>
            <b class="block truncate text-sm">{{ tone.swatch.label }}</b>
            <b v-if="tone.over" class="block truncate text-sm">+ {{ tone.over.swatch.label }}</b>
            <span class="block truncate">{{
              tone.swatch.lost
                ? 'no longer in the supplies'
                : tone.over
                  ? 'glazed, a prediction'
                  : (tone.swatch.code && tone.swatch.name) || tone.swatch.range_name
            }}</span>
            <OwnedCorner :swatch="tone.swatch" />
            <span class="sr-only">, change this tone</span>
          </button>
        </li>
        <li v-if="area.glaze" class="min-w-0 flex-1 text-xs">
          <button
            type="button"
            class="relative w-full cursor-pointer border border-dashed border-line px-1.5 py-1 text-left hover:border-ink"
            :title="`${area.glaze.swatch.range_name} ${area.glaze.swatch.label} over the dark, ± ${area.glaze.uncertainty}, predicted`"
            @click="emit('unglaze')"
          >
            <span class="block text-soft">{{ area.glaze.name }}</span>
            <b class="block truncate text-sm">{{ area.glaze.swatch.label }}</b>
            <span class="block truncate">over it, dry</span>
            <OwnedCorner :swatch="area.glaze.swatch" />
            <span class="sr-only">, take the glaze off</span>
          </button>
        </li>
      </ol>
      <ul v-if="area.judgement?.faults.length" class="mt-2 space-y-1">
        <li v-for="fault in area.judgement.faults" :key="fault.words" class="flex gap-2">
          <XMarkIcon class="mt-0.5 size-4 shrink-0" aria-hidden="true" /><span
            ><PlainWords :text="fault.words"
          /></span>
        </li>
      </ul>
      <p v-else-if="area.judgement" class="mt-2 flex gap-2">
        <CheckIcon class="mt-0.5 size-4 shrink-0" aria-hidden="true" />
        It holds: light and dark are far enough apart to show form.
        <TheFigure
          tip
          :text="`ΔL* ${area.judgement.span.toFixed(0)} of ${area.judgement.wanted.toFixed(0)}`"
        />
      </p>
      <p v-if="unlike" class="mt-1 flex gap-2">
        <ExclamationTriangleIcon class="mt-0.5 size-4 shrink-0" aria-hidden="true" />{{ unlike }}
      </p>
      <div class="mt-2 flex flex-wrap gap-2">
        <button v-if="ids.length < 5" type="button" class="button" @click="changing = -1">
          Add a tone
        </button>
        <button v-if="ids.length > 1" type="button" class="button" @click="keeping = true">
          Keep this family
        </button>
        <button type="button" class="button button-plain" @click="emit('choose', [])">
          Take it off
        </button>
      </div>
    </template>
    <p v-else class="text-soft">
      {{ area.colour ? 'No family yet: take one of these.' : 'Give it a palette colour first.' }}
    </p>
    <ToneDialog
      v-if="changing > -2"
      :tone="area.tones[changing]"
      :near="area.tones[changing] ?? area.tones.at(-1)!"
      @take="replace"
      @close="changing = -2"
    />
    <KeepFamily v-if="keeping" :suggested="area.name" :colours="ids" @close="keeping = false" />
  </div>
</template>
