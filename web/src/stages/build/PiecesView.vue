<script setup lang="ts">
import { PlusIcon } from '@heroicons/vue/20/solid'
import { computed, ref } from 'vue'
import type { Build } from '@/api/client'
import { useSession } from '@/lib/session'
import StatusMark from '@/ui/StatusMark.vue'
import { inWords } from '@/lib/words'
import AddPiece from './AddPiece.vue'
import BaseAndPost from './BaseAndPost.vue'
import LayoutsDialog from './LayoutsDialog.vue'
import PieceEditor from './PieceEditor.vue'
import ScatterDialog from './ScatterDialog.vue'
import SeveralPieces from './SeveralPieces.vue'
import { checksOn, depth, swatchStyle, useBuild } from './build'

/** The pieces of either face from the card up, and what is said of the one that is chosen. */
const { build } = defineProps<{ build: Build }>()
const session = useSession()
const { store } = useBuild()
const adding = ref<'' | 'front' | 'inside'>('')
const beginning = ref(false)
const scattering = ref(false)
const faces = computed(() => [
  { key: 'front' as const, words: 'On the front', pieces: build.pieces },
  { key: 'inside' as const, words: 'Inside', pieces: build.inside },
])
const face = computed(
  () =>
    faces.value.find((one) => one.pieces.some((piece) => piece.key === store.piece)) ??
    faces.value[0]!,
)
// Several at once, with Shift or Ctrl: what is pressed by itself is the one that is chosen.
const several = ref<number[]>([])
const chosen = computed(() =>
  faces.value.flatMap((one) => one.pieces).filter((one) => several.value.includes(one.key)),
)
function pick(key: number, more: boolean) {
  if (!more) several.value = []
  else {
    const before = several.value.length ? several.value : store.piece ? [store.piece] : []
    several.value = before.includes(key) ? before.filter((one) => one !== key) : [...before, key]
  }
  store.piece = key
}
const isChosen = (key: number) =>
  chosen.value.length > 1 ? several.value.includes(key) : key === store.piece
const piece = computed(() => face.value.pieces.find((one) => one.key === store.piece))
const empty = computed(() => !build.pieces.length && !build.inside.length)
const WORST = ['fails', 'look-again', 'holds'] as const
function worst(key: number) {
  const found = checksOn(key, store.card!.checks).filter((one) => one.waived === null)
  return WORST.find((status) => found.some((one) => one.status === status)) ?? null
}
</script>

<template>
  <div class="grid gap-5 xl:grid-cols-[minmax(0,9fr)_minmax(0,10fr)]">
    <section aria-label="Pieces" class="min-w-0">
      <button type="button" class="button mb-3" @click="beginning = true">
        {{ empty ? 'Begin from a layout' : 'Begin anew from a layout' }} …
      </button>
      <p v-if="empty" class="panel mb-3 p-4">
        Nothing lies on the card yet. Begin from a layout, which takes the palette’s roles, or add
        the first piece; every size follows from the card’s.
      </p>
      <section v-for="one in faces" :key="one.key" :aria-label="one.words" class="mb-4">
        <h2 class="mb-1 flex items-center justify-between text-sm">
          {{ one.words }}
          <button
            v-if="one.key === 'front' && one.pieces.length"
            type="button"
            class="button button-plain ml-auto !min-h-7 text-xs"
            @click="scattering = true"
          >
            Scatter …
          </button>
          <button
            type="button"
            class="button button-plain !min-h-7 text-xs"
            @click="adding = one.key"
          >
            <PlusIcon class="size-4" aria-hidden="true" />{{
              one.key === 'inside' ? 'Add one inside' : 'Add a piece'
            }}
          </button>
        </h2>
        <p v-if="!one.pieces.length" class="text-xs text-soft">
          {{ one.key === 'inside' ? 'nothing but the card itself' : 'nothing yet' }}
        </p>
        <ul class="space-y-1">
          <li v-for="each in one.pieces" :key="each.key">
            <button
              type="button"
              class="flex w-full cursor-pointer items-center gap-2 rounded-data border py-1 pr-2 text-left"
              :class="isChosen(each.key) ? 'border-ink bg-sheet ring-1 ring-ink' : 'border-line'"
              :style="{ paddingLeft: `${8 + 18 * depth(each, one.pieces)}px` }"
              :aria-pressed="isChosen(each.key)"
              @click="pick(each.key, $event.shiftKey || $event.ctrlKey || $event.metaKey)"
            >
              <span
                class="size-7 shrink-0 border border-line"
                :style="swatchStyle(each.material, session.view)"
              />
              <span class="min-w-0 flex-1">
                <b class="block truncate">{{ each.name }}</b>
                <span class="block truncate text-xs">
                  {{ each.size_shown
                  }}{{ each.raised === 'flat' ? '' : `, on ${inWords(each.raised)}`
                  }}{{ build.carrier === each.key ? ', with the ground' : '' }}
                </span>
              </span>
              <StatusMark :status="worst(each.key)" />
            </button>
          </li>
        </ul>
      </section>
      <BaseAndPost :build="build" />
    </section>
    <SeveralPieces v-if="chosen.length > 1" :pieces="chosen" @clear="several = []" />
    <PieceEditor
      v-else-if="piece"
      :key="piece.key"
      :piece="piece"
      :face="face.pieces"
      :build="build"
    />
    <p v-else-if="!empty" class="text-soft">
      Choose a piece to change it. On the card at the right it can then be dragged, or moved with
      the arrow keys. With Shift several are chosen.
    </p>
    <LayoutsDialog v-if="beginning" :anew="!empty" @close="beginning = false" />
    <ScatterDialog v-if="scattering" @close="scattering = false" />
    <AddPiece v-if="adding" :build="build" :inside="adding === 'inside'" @close="adding = ''" />
  </div>
</template>
