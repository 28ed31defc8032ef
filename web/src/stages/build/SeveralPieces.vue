<script setup lang="ts">
import { computed } from 'vue'
import type { Piece } from '@/api/client'
import { arrangedValues } from '@/api/schema'
import { useSession } from '@/lib/session'
import { inWords, plural } from '@/lib/words'
import { swatchStyle, useBuild } from './build'

/** What is done to several pieces at once: brought into line, spread, copied, moved, taken away. */
const { pieces } = defineProps<{ pieces: Piece[] }>()
defineEmits<{ clear: [] }>()
const { store } = useBuild()
const session = useSession()
const keys = computed(() => pieces.map((one) => one.key))
const arrange = (how: (typeof arrangedValues)[number]) =>
  store.change({ kind: 'arrange', keys: keys.value, how })
const copy = (mirrored: boolean) =>
  store.change({ kind: 'copy_pieces', keys: keys.value, mirrored })
const remove = () =>
  store.change({
    kind: 'several',
    purpose: 'arrange',
    changes: keys.value.map((key) => ({ kind: 'remove_piece', key })),
  })
const STEPS = [
  ['left', -1, 0],
  ['right', 1, 0],
  ['up', 0, -1],
  ['down', 0, 1],
] as const
function nudge(right: number, below: number) {
  const far = store.card!.nudge.coarse
  // What lies on another that is moved goes along with it.
  const loose = pieces.filter((one) => !keys.value.includes(one.on))
  return store.change({
    kind: 'several',
    purpose: 'arrange',
    changes: loose.map(({ key }) => ({
      kind: 'nudge_piece',
      key,
      right: right * far,
      below: below * far,
    })),
  })
}
</script>

<template>
  <section class="panel min-w-0 p-4" aria-label="The chosen pieces">
    <h2 class="mb-2 text-base">{{ plural(pieces.length, 'piece') }} chosen</h2>
    <p class="mb-4 flex flex-wrap gap-x-3 gap-y-1 text-xs">
      <span v-for="one in pieces" :key="one.key" class="flex items-center gap-1.5">
        <span
          class="size-4 border border-line"
          :style="swatchStyle(one.material, session.view)"
          aria-hidden="true"
        />{{ one.name }}
      </span>
    </p>
    <h3 class="label">Bring into line, or spread</h3>
    <div class="mb-4 flex flex-wrap gap-1.5">
      <button
        v-for="how in arrangedValues"
        :key="how"
        type="button"
        class="button !px-2 !text-xs"
        :disabled="store.busy"
        @click="arrange(how)"
      >
        {{ inWords(how) }}
      </button>
    </div>
    <h3 class="label">Move together</h3>
    <div class="mb-4 flex flex-wrap gap-1.5">
      <button
        v-for="[words, right, below] in STEPS"
        :key="words"
        type="button"
        class="button !px-2 !text-xs"
        :disabled="store.busy"
        @click="nudge(right, below)"
      >
        {{ words }}
      </button>
    </div>
    <div class="flex flex-wrap gap-1.5">
      <button type="button" class="button" :disabled="store.busy" @click="copy(false)">Copy</button>
      <button type="button" class="button" :disabled="store.busy" @click="copy(true)">
        Copy, mirrored
      </button>
      <button type="button" class="button" :disabled="store.busy" @click="remove">
        Take them away
      </button>
      <button type="button" class="button button-plain" @click="$emit('clear')">Choose none</button>
    </div>
  </section>
</template>
