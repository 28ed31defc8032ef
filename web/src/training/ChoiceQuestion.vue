<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Question } from '@/api/client'
import { useKeys } from '@/lib/keys'
import OptionFace from './OptionFace.vue'
import { letter, type Given } from './training'

/** One of four to be chosen: beside what it is to come near to, or into the gap of its family. */
const { question } = defineProps<{ question: Question }>()
const emit = defineEmits<{ answer: [given: Given] }>()
const chosen = ref<number>()
const isFamily = computed(() => question.exercise === 'missing-tone')
const face = (at: number) => question.options[at]!.shown.map((one) => one.shade)
/** The tones from light to dark; what is missing is what was chosen, if anything. */
const family = computed(() => {
  const tones: (string | undefined)[] = question.given.map((one) => one.shade)
  tones.splice(question.gap, 0, chosen.value === undefined ? undefined : face(chosen.value)[0])
  return tones
})
function press(at: number) {
  if (at >= question.options.length) return false
  chosen.value = at
}
useKeys(Object.fromEntries(Array.from({ length: 9 }, (_, n) => [String(n + 1), () => press(n)])))
</script>

<template>
  <div>
    <ol v-if="isFamily" class="mb-5 flex max-w-xl" aria-label="The family, light to dark">
      <li
        v-for="(tone, n) in family"
        :key="n"
        class="flex h-[150px] flex-1 items-center justify-center small:h-[96px]"
        :class="!tone && 'border border-dashed border-edge text-soft'"
        :style="{ background: tone }"
      >
        {{ tone ? '' : 'missing' }}
      </li>
    </ol>
    <div>
      <!-- What is asked for touches every one of them: there is no gap to judge across. -->
      <div
        v-if="!isFamily"
        class="h-[170px] small:h-[84px]"
        :style="{ background: question.given[0]!.shade }"
        role="img"
        :aria-label="question.given[0]!.label"
      />
      <ul class="flex" :class="isFamily && 'gap-3'" aria-label="To choose from">
        <li v-for="(_, at) in question.options" :key="at" class="min-w-0 flex-1">
          <button
            type="button"
            class="block w-full cursor-pointer"
            :aria-pressed="chosen === at"
            :aria-label="letter(at)"
            @click="press(at)"
          >
            <span class="block h-[170px] small:h-[84px]"><OptionFace :shades="face(at)" /></span>
            <span
              class="mt-1 flex items-center justify-center gap-2 rounded-panel py-1"
              :class="chosen === at && 'bg-strong text-onstrong'"
            >
              <span v-if="chosen !== at" class="keycap">{{ at + 1 }}</span>
              <b>{{ letter(at) }}</b>
            </span>
          </button>
        </li>
      </ul>
    </div>
    <button
      type="button"
      class="button mt-4"
      :class="chosen !== undefined && 'button-main'"
      :disabled="chosen === undefined"
      @click="emit('answer', { places: [chosen!], kind: null })"
    >
      That is my choice
    </button>
  </div>
</template>
