<script setup lang="ts">
import { PlusIcon } from '@heroicons/vue/20/solid'
import { computed, ref } from 'vue'
import type { Build } from '@/api/client'
import { foldValues } from '@/api/schema'
import { useSession } from '@/lib/session'
import ChoiceList from '@/ui/ChoiceList.vue'
import StatusMark from '@/ui/StatusMark.vue'
import AddPiece from './AddPiece.vue'
import PieceEditor from './PieceEditor.vue'
import { depth, useBuild } from './build'

/** The pieces from the card up, and what is said of the one that is chosen. */
const { build } = defineProps<{ build: Build }>()
const session = useSession()
const { store } = useBuild()
const picked = ref(0)
const adding = ref(false)
const piece = computed(() => build.pieces.find((one) => one.key === picked.value))
const layouts = computed(() => [
  { value: '', words: build.pieces.length ? 'Begin anew from a layout' : 'Begin from a layout' },
  ...build.layouts.map((one) => ({ value: one.key, words: one.words })),
])
const worst = (one: Build['pieces'][number]) =>
  one.fit.status === 'holds' ? (one.stands?.status ?? null) : one.fit.status
function post(event: Event) {
  const { value } = event.target as HTMLInputElement
  void store.change({ kind: 'set_build', post_limit: value === '' ? null : Number(value) })
}
function begin(layout: string) {
  if (layout) void store.change({ kind: 'start_layout', layout })
}
</script>

<template>
  <div class="grid gap-5 xl:grid-cols-[minmax(0,9fr)_minmax(0,10fr)]">
    <section aria-label="Pieces" class="min-w-0">
      <div class="mb-3 flex flex-wrap gap-2">
        <ChoiceList
          class="w-72"
          model-value=""
          label="Begin from a layout"
          :options="layouts"
          @update:model-value="begin"
        />
        <button type="button" class="button" @click="adding = true">
          <PlusIcon class="size-4" aria-hidden="true" />Add a piece
        </button>
      </div>
      <p v-if="!build.pieces.length" class="panel p-4">
        Nothing lies on the card yet. Begin from a layout, which takes the palette’s roles, or add
        the first piece; every size follows from the card’s.
      </p>
      <ul v-else class="space-y-1">
        <li v-for="one in build.pieces" :key="one.key">
          <button
            type="button"
            class="flex w-full cursor-pointer items-center gap-2 rounded-data border py-1 pr-2 text-left"
            :class="one.key === picked ? 'border-ink bg-sheet ring-1 ring-ink' : 'border-line'"
            :style="{ paddingLeft: `${8 + 18 * depth(one, build.pieces)}px` }"
            :aria-pressed="one.key === picked"
            @click="picked = one.key"
          >
            <span
              class="size-7 shrink-0 border border-line"
              :style="{ background: one.material.shades[session.view] }"
            />
            <span class="min-w-0 flex-1">
              <b class="block truncate">{{ one.name }}</b>
              <span class="block truncate text-xs">
                {{ one.size_shown }}{{ one.raised === 'flat' ? '' : `, on ${one.raised}` }}
              </span>
            </span>
            <StatusMark :status="worst(one)" />
          </button>
        </li>
      </ul>
      <div class="mt-4 grid grid-cols-2 gap-3">
        <div>
          <span class="label">Folded</span>
          <ChoiceList
            :model-value="build.fold"
            label="Folded"
            :options="foldValues.map((value) => ({ value, words: value }))"
            @update:model-value="store.change({ kind: 'set_build', fold: $event })"
          />
        </div>
        <div>
          <label class="label" for="post-limit">Thickest that my post takes, mm</label>
          <input
            id="post-limit"
            class="input"
            type="number"
            min="0.1"
            max="100"
            step="0.1"
            placeholder="not said"
            :value="build.post_limit"
            @change="post($event)"
          />
        </div>
      </div>
      <dl class="mt-4 grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 text-xs">
        <dt class="text-soft">Base, flat</dt>
        <dd>{{ build.flat }}, scored {{ build.score }}</dd>
        <dt class="text-soft">Thickness</dt>
        <dd>{{ build.thickness.figure }}; {{ build.thickness.reason || 'your post takes it' }}</dd>
        <dt class="text-soft">Envelope</dt>
        <dd>{{ build.envelope ?? 'none of the usual ones is large enough' }}</dd>
      </dl>
    </section>
    <PieceEditor v-if="piece" :key="piece.key" :piece="piece" :build="build" />
    <p v-else-if="build.pieces.length" class="text-soft">Choose a piece to change it.</p>
    <AddPiece v-if="adding" :build="build" @close="adding = false" />
  </div>
</template>
