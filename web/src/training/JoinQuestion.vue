<script setup lang="ts">
import { ref } from 'vue'
import type { MeetsAsked, Question } from '@/api/client'
import { meetsAskedValues } from '@/api/schema'
import { useKeys } from '@/lib/keys'
import { inWords } from '@/lib/words'
import OptionFace from './OptionFace.vue'
import { letter, type Given } from './training'

/** Two pads: first how they meet, then what that looks like; the strips come only then, for they tell. */
const { question } = defineProps<{ question: Question }>()
const emit = defineEmits<{ answer: [given: Given] }>()
const kind = ref<MeetsAsked | null>(null)
const chosen = ref<number>()
const isOpen = () => !question.asks_kind || kind.value !== null
function press(at: number) {
  if (!isOpen()) kind.value = meetsAskedValues[at] ?? null
  else if (at < question.options.length) chosen.value = at
  else return false
}
useKeys(Object.fromEntries(Array.from({ length: 3 }, (_, n) => [String(n + 1), () => press(n)])))
</script>

<template>
  <div>
    <div class="flex gap-16" aria-label="The two pads">
      <figure v-for="pad in question.given" :key="pad.label" class="min-w-0 flex-1">
        <div class="h-[110px] rounded-full small:h-[72px]" :style="{ background: pad.shade }" />
        <figcaption class="mt-1 text-center font-semibold">{{ pad.label }}</figcaption>
      </figure>
    </div>
    <template v-if="question.asks_kind">
      <h2 class="label mt-5">Where they meet it is</h2>
      <div class="flex flex-wrap gap-2" role="radiogroup" aria-label="How they meet">
        <button
          v-for="(one, n) in meetsAskedValues"
          :key="one"
          type="button"
          role="radio"
          class="button"
          :class="kind === one && 'button-main'"
          :aria-checked="kind === one"
          @click="kind = one"
        >
          <span v-if="kind === null" class="keycap">{{ n + 1 }}</span>{{ inWords(one) }}
        </button>
      </div>
    </template>
    <template v-if="isOpen()">
      <h2 class="label mt-5">And it looks like</h2>
      <ul class="space-y-2" aria-label="To choose from">
        <li v-for="(option, at) in question.options" :key="at">
          <button
            type="button"
            class="flex w-full cursor-pointer items-center gap-3"
            :aria-pressed="chosen === at"
            :aria-label="`strip ${letter(at)}`"
            @click="chosen = at"
          >
            <span
              class="flex w-14 shrink-0 items-center justify-center gap-1.5 rounded-panel py-1"
              :class="chosen === at && 'bg-strong text-onstrong'"
              ><span v-if="chosen !== at" class="keycap">{{ at + 1 }}</span
              ><b>{{ letter(at) }}</b></span
            >
            <span class="block h-[56px] flex-1 small:h-[44px]"
              ><OptionFace :shades="[]" :strip="option.strip"
            /></span>
          </button>
        </li>
      </ul>
      <button
        type="button"
        class="button mt-4"
        :class="chosen !== undefined && 'button-main'"
        :disabled="chosen === undefined"
        @click="emit('answer', { places: [chosen!], kind })"
      >
        That is my choice
      </button>
    </template>
  </div>
</template>
