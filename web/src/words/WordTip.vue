<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { useTemplateRef } from 'vue'
import { useBeside } from '@/lib/beside'
import { plainly, type Word } from './words'

/** What a special word means, where it stands: opened by a press, a key or a touch; also the figure itself. */
const {
  word,
  words = [],
  figure = '',
} = defineProps<{ word: string; words?: Word[]; figure?: string }>()
const root = useTemplateRef<HTMLElement>('root')
const { place, lay } = useBeside(root, { high: 220, wide: 256 })
</script>

<template>
  <span ref="root" class="inline-block">
    <Popover as="span">
      <PopoverButton
        class="ml-1 inline-flex size-5 cursor-pointer items-center justify-center rounded-full border border-edge align-middle text-xs relative pointer-coarse:before:absolute pointer-coarse:before:-inset-3 pointer-coarse:before:content-['']"
        :aria-label="figure ? `The figures: ${figure}` : `What “${word}” means`"
        @pointerdown="lay()"
        @keydown="lay()"
        >?</PopoverButton
      >
      <PopoverPanel
        class="panel fixed z-30 w-64 p-3 text-left text-xs font-normal normal-case"
        :style="place"
      >
        <p v-if="figure" class="mb-1 font-semibold">{{ figure }}</p>
        <p v-for="one in words.length ? words : [{ word, plain: plainly(word) }]" :key="one.word">
          <b>{{ one.word }}</b>: {{ one.plain }}
        </p>
        <RouterLink to="/words" class="mt-1 block underline">All words</RouterLink>
      </PopoverPanel>
    </Popover>
  </span>
</template>
