<script setup lang="ts">
import { ref, useId, useTemplateRef } from 'vue'
import { useBeside } from '@/lib/beside'
import { plainly, type Word } from './words'

/** What a special word means, where it stands: opened by a press, a key or a touch; also the figure itself. */
const {
  word,
  words = [],
  figure = '',
} = defineProps<{ word: string; words?: Word[]; figure?: string }>()
const id = useId()
const root = useTemplateRef<HTMLElement>('root')
const panel = useTemplateRef<HTMLElement>('panel')
const open = ref(false)
const { place, lay } = useBeside(root, { high: 220, wide: 256 })
// There are many of these on a screen: what they hold is made when it is asked for.
function turn(event: Event) {
  open.value = (event as ToggleEvent).newState === 'open'
  if (open.value) lay()
}
/** Escape closes what was opened last, not the dialog around it. */
function close(event: KeyboardEvent) {
  if (!open.value) return
  event.stopPropagation()
  panel.value!.hidePopover()
}
</script>

<template>
  <span ref="root" class="inline-block" @keydown.esc="close">
    <button
      type="button"
      :popovertarget="id"
      class="ml-1 inline-flex size-5 cursor-pointer items-center justify-center rounded-full border border-edge align-middle text-xs relative pointer-coarse:before:absolute pointer-coarse:before:-inset-3 pointer-coarse:before:content-['']"
      :aria-label="figure ? `The figures: ${figure}` : `What “${word}” means`"
      :aria-expanded="open"
    >
      ?
    </button>
    <span
      :id="id"
      ref="panel"
      popover
      class="panel fixed m-0 w-64 p-3 text-ink text-left text-xs font-normal whitespace-normal normal-case"
      :style="place"
      @beforetoggle="turn"
    >
      <template v-if="open">
        <b v-if="figure" class="mb-1 block">{{ figure }}</b>
        <span
          v-for="one in words.length ? words : [{ word, plain: plainly(word) }]"
          :key="one.word"
          class="block"
        >
          <b>{{ one.word }}</b>: {{ one.plain }}
        </span>
        <RouterLink to="/words" class="mt-1 block underline">All words</RouterLink>
      </template>
    </span>
  </span>
</template>
