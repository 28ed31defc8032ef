<script setup lang="ts">
import { computed } from 'vue'
import { api, got, type Area, type Offers } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useSession } from '@/lib/session'
import { called } from '@/lib/words'
import ChoiceList from '@/ui/ChoiceList.vue'
import WordTip from '@/words/WordTip.vue'
import TheFigure from '@/ui/TheFigure.vue'
import PlainWords from '@/ui/PlainWords.vue'

/** Families to choose for an area: the best there are, kept ones, and tones that would help its own. */
const { area, offers } = defineProps<{ area: Area; offers: Offers; greys: string }>()
const emit = defineEmits<{ choose: [family: number[]]; glaze: [id: number] }>()
const count = defineModel<number>('count', { required: true })
const session = useSession()
const { data: kept } = useFetched([], () => got(api.GET('/api/families/kept')))
const COUNTS = computed(() => [
  { value: 0, words: `as it wants: ${offers.wanted}` },
  ...(session.limits?.tones ?? []).map((value) => ({ value, words: `${value} tones` })),
])
const has = (family: { swatch: { id: number } }[]) =>
  family.length === area.tones.length &&
  family.every((tone, n) => tone.swatch.id === area.tones[n]!.swatch.id)
</script>

<template>
  <div>
    <section v-if="offers.mends.length" class="mb-4" aria-label="What would help">
      <h3 class="mb-1 text-sm">What would help</h3>
      <ul class="grid grid-cols-2 gap-1.5">
        <li v-for="mend in offers.mends" :key="mend.words">
          <button
            type="button"
            class="flex w-full cursor-pointer gap-2 rounded-data border border-line bg-sheet text-left text-xs hover:border-ink"
            :class="{ 'border-dashed': !mend.family }"
            @click="mend.family ? emit('choose', mend.family) : emit('glaze', mend.swatch.id)"
          >
            <span class="w-8 shrink-0" :style="{ background: mend.shades[session.view] }" />
            <span class="min-w-0 py-1 pr-2">
              <b>{{ called(mend.swatch) }}</b> <PlainWords :tip="false" :text="mend.words" />
              <span v-if="mend.swatch.owned" class="block text-soft">in my drawer</span>
            </span>
          </button>
        </li>
      </ul>
    </section>
    <div class="mb-1 flex items-center gap-3">
      <h3 class="text-sm">Families around it</h3>
      <span class="flex-1"><WordTip word="family" /></span>
      <ChoiceList v-model="count" label="How many tones" class="w-44" :options="COUNTS" />
    </div>
    <p v-if="area.of_greys" class="mb-2 text-xs text-soft">
      <template v-if="area.thing === 'black-thing'">Cool greys; warm ones look brown.</template>
      <template v-else
        >{{ greys === 'warm' ? 'Warm' : 'Cool' }} greys go with this palette.</template
      >
    </p>
    <p v-if="!offers.families.length && area.colour" class="text-soft">
      Nothing of this medium is of its hue.
    </p>
    <ul class="space-y-1">
      <li v-for="(family, n) in offers.families" :key="n">
        <button
          type="button"
          class="flex w-full cursor-pointer items-stretch gap-3 rounded-data border bg-sheet text-left text-xs"
          :class="has(family.tones) ? 'border-ink ring-1 ring-ink' : 'border-line hover:border-ink'"
          :aria-pressed="has(family.tones)"
          @click="
            emit(
              'choose',
              family.tones.map((tone) => tone.swatch.id),
            )
          "
        >
          <span class="flex w-32 shrink-0">
            <span
              v-for="tone in family.tones"
              :key="tone.swatch.id"
              class="flex-1"
              :style="{ background: tone.shades[session.view] }"
            />
          </span>
          <span class="min-w-0 py-1.5 pr-2">
            {{ family.tones.map((tone) => called(tone.swatch)).join(', ') }}
            <span class="block text-soft">
              <TheFigure class="mr-1" :text="`ΔL* ${family.judgement.span.toFixed(0)}`" />{{
                family.words
              }}<template v-if="family.judgement.faults.length"
                >:
                <PlainWords
                  :tip="false"
                  :text="family.judgement.faults.map((fault) => fault.words).join('; ')"
              /></template>
            </span>
          </span>
        </button>
      </li>
    </ul>
    <template v-if="kept?.length">
      <h3 class="mt-4 mb-1 text-sm">My kept families</h3>
      <ul class="flex flex-wrap gap-1.5">
        <li v-for="family in kept" :key="family.id">
          <button
            type="button"
            class="button !px-2 text-xs"
            @click="
              emit(
                'choose',
                family.tones.map((tone) => tone.id),
              )
            "
          >
            <span class="flex h-4 w-12 overflow-hidden rounded-data">
              <span
                v-for="tone in family.tones"
                :key="tone.id"
                class="flex-1"
                :style="{ background: tone.shades[session.view] }"
              />
            </span>
            {{ family.name }}
          </button>
        </li>
      </ul>
    </template>
  </div>
</template>
