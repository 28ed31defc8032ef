<script setup lang="ts">
import { computed } from 'vue'
import type { Answered } from '@/api/client'
import { inWords } from '@/lib/words'
import PlainWords from '@/ui/PlainWords.vue'
import StatusMark from '@/ui/StatusMark.vue'
import TheFigure from '@/ui/TheFigure.vue'
import OptionFace from './OptionFace.vue'
import { inOrder, letter, named } from './training'

/** The truth of what was asked, with its figures, beside what was answered. */
const { answered, small = false } = defineProps<{ answered: Answered; small?: boolean }>()
const listed = computed(() => inOrder(answered))
const isJoin = computed(() => answered.exercise === 'will-it-join')
/** The views in which the truth is shown: as it was asked, and what takes the hues out of it. */
const views = computed<Answered['view'][]>(() => {
  const also: Answered['view'][] = ['greys']
  if (answered.exercise === 'will-it-read') also.push('lamp')
  return [answered.view, ...also.filter((one) => one !== answered.view)]
})
const WORDS = { colour: 'in colour', greys: 'squinted at', lamp: 'by a warm lamp' }
const figure = (value: number, sigma: number) =>
  `${answered.measure} ${value}${sigma ? ` ± ${sigma}` : ''}`
/** What was said of an option: its number in the order that was given, or that it was chosen. */
function said(at: number) {
  const place = answered.places.indexOf(at)
  if (place < 0) return ''
  return answered.orders ? `you said ${place + 1}` : 'you chose it'
}
const isWrong = (at: number, n: number) =>
  answered.orders ? answered.places.indexOf(at) !== n : answered.places.includes(at) && n > 0
</script>

<template>
  <div>
    <p class="mb-3 flex items-start gap-2.5 text-base" role="status">
      <StatusMark :status="answered.right ? 'holds' : 'fails'" />
      <span class="max-w-[75ch]"
        ><b>{{ answered.right ? 'Right.' : 'Not this time.' }}</b
        >{{ ' ' }}<PlainWords :text="answered.reason" />.</span
      >
    </p>
    <p v-if="answered.kind_given && !answered.kind_right" class="mb-3">
      You said they meet {{ inWords(answered.kind_given) }}.
    </p>
    <div v-if="answered.given.length && !isJoin" class="mb-2 flex gap-3">
      <figure v-for="one in answered.given" :key="one.label" class="w-40">
        <div class="h-12" :style="{ background: one.shades[answered.view] }" />
        <figcaption class="mt-1 text-xs">
          <b>{{ one.label }}</b> {{ one.range_name }}
        </figcaption>
      </figure>
    </div>
    <ol :class="isJoin ? 'space-y-2' : 'flex flex-wrap'" aria-label="The truth">
      <li
        v-for="({ option, at }, n) in listed"
        :key="at"
        :class="isJoin ? 'flex items-center gap-3' : 'min-w-[110px] flex-1'"
      >
        <template v-if="isJoin">
          <span class="h-10 flex-1"
            ><OptionFace :shades="[]" :strip="option.strip.map((one) => one[answered.view])"
          /></span>
        </template>
        <template v-else>
          <span v-for="view in views" :key="view" class="block" :class="small ? 'h-8' : 'h-[72px]'"
            ><OptionFace :shades="option.shown.map((one) => one.shades[view])"
          /></span>
        </template>
        <p class="mt-1 pr-2 text-xs" :class="isJoin && 'w-64'">
          <b
            >{{ answered.orders ? `${n + 1}. ` : ''
            }}{{ isJoin ? letter(at) : named(option, at) }}</b
          >
          <span class="block text-soft"
            ><template v-if="isJoin && n === 0">as predicted</template
            ><TheFigure v-else :text="figure(option.figure, option.sigma)"
          /></span>
          <span v-if="said(at)" class="block" :class="isWrong(at, n) && 'font-semibold'">{{
            said(at)
          }}</span>
        </p>
      </li>
    </ol>
    <template v-if="answered.orders && !answered.right">
      <p class="label mt-3">As you put them</p>
      <ol class="flex" aria-label="As you put them">
        <li v-for="at in answered.places" :key="at" class="h-9 min-w-0 flex-1">
          <OptionFace
            :shades="answered.options[at]!.shown.map((one) => one.shades[answered.view])"
          />
        </li>
      </ol>
    </template>
    <p class="mt-3 text-xs text-soft">
      <template v-if="!isJoin">Shown {{ views.map((one) => WORDS[one]).join(', ') }}. </template>
      A guess is right once in {{ Math.round(1 / answered.chance) }}.
      <template v-if="isJoin"
        >How pads meet is predicted from their dabs: brush them on a scrap before you trust
        it.</template
      >
    </p>
  </div>
</template>
