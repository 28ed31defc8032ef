<script setup lang="ts">
import { ref } from 'vue'
import type { Question } from '@/api/client'
import { useKeys } from '@/lib/keys'
import OptionFace from './OptionFace.vue'
import { letter, type Given } from './training'

/** Things to be put in order: pressed one after the other, pressed again they are taken back. */
const { question } = defineProps<{ question: Question }>()
const emit = defineEmits<{ answer: [given: Given] }>()
const order = ref<number[]>([])
const shades = (at: number) => question.options[at]!.shown.map((one) => one.shade)

function press(at: number) {
  if (at >= question.options.length) return false
  order.value = order.value.includes(at)
    ? order.value.filter((one) => one !== at)
    : [...order.value, at]
}
useKeys(Object.fromEntries(Array.from({ length: 9 }, (_, n) => [String(n + 1), () => press(n)])))
</script>

<template>
  <div>
    <ul class="flex flex-wrap gap-2" aria-label="To be put in order">
      <li v-for="(_, at) in question.options" :key="at" class="min-w-[76px] flex-1">
        <button
          type="button"
          class="block w-full cursor-pointer"
          :aria-pressed="order.includes(at)"
          :aria-label="`${letter(at)}${order.includes(at) ? `, number ${order.indexOf(at) + 1}` : ''}`"
          @click="press(at)"
        >
          <span
            class="block h-[180px] small:h-[84px]"
            :class="order.includes(at) && 'border border-dashed border-edge'"
            ><OptionFace v-if="!order.includes(at)" :shades="shades(at)"
          /></span>
          <span class="mt-1 flex items-center justify-center gap-2">
            <span class="keycap">{{ at + 1 }}</span>
            <b>{{ letter(at) }}</b>
          </span>
        </button>
      </li>
    </ul>
    <h2 class="label mt-5">My order, {{ question.ends.join(' to ') }}</h2>
    <ol class="flex" aria-label="My order">
      <li v-for="(_, n) in question.options" :key="n" class="min-w-0 flex-1">
        <button
          v-if="order[n] !== undefined"
          type="button"
          class="block h-[150px] w-full cursor-pointer small:h-[72px]"
          :aria-label="`${n + 1}: ${letter(order[n]!)}, take it back`"
          @click="press(order[n]!)"
        >
          <OptionFace :shades="shades(order[n]!)" />
        </button>
        <span
          v-else
          class="flex h-[150px] items-center justify-center border border-dashed border-edge text-soft small:h-[72px]"
          >{{ n + 1 }}</span
        >
      </li>
    </ol>
    <button
      type="button"
      class="button mt-4"
      :class="order.length === question.options.length && 'button-main'"
      :disabled="order.length < question.options.length"
      @click="emit('answer', { places: order, kind: null })"
    >
      That is my order
    </button>
  </div>
</template>
