<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { ChevronDownIcon } from '@heroicons/vue/20/solid'
import { useMediaQuery } from '@vueuse/core'
import { computed, defineAsyncComponent, nextTick, ref } from 'vue'
import { api, got, type Column } from '@/api/client'
import { useCard } from '@/card/card'
import { useAsked, useDrawer } from '@/lib/drawer'
import { useNotices } from '@/lib/notices'
import { useOnlyOwned } from '@/lib/owned'
import { useSession } from '@/lib/session'
import { useSoon } from '@/lib/soon'
import OnOff from '@/ui/OnOff.vue'
import ColourHead from './ColourHead.vue'
import OneColour from './OneColour.vue'
import PaletteCell from './PaletteCell.vue'
import WordTip from '@/words/WordTip.vue'

// What opens later is fetched later.
const KeepCombination = defineAsyncComponent(() => import('@/ways/KeepCombination.vue'))
const ColumnsDialog = defineAsyncComponent(() => import('./ColumnsDialog.vue'))
const AlternativesDialog = defineAsyncComponent(() => import('./AlternativesDialog.vue'))
const ColourDialog = defineAsyncComponent(() => import('./ColourDialog.vue'))
const MoveDialog = defineAsyncComponent(() => import('./MoveDialog.vue'))
const PapersDialog = defineAsyncComponent(() => import('./PapersDialog.vue'))

const SMALL = '(width < 640px)' // too narrow for a table
const FIRST = 3 // rows that are drawn before the others

defineEmits<{ add: [] }>()
const store = useCard()
const session = useSession()
const notices = useNotices()
const card = computed(() => store.card!)
const whole = useSoon()
const rows = computed(() => card.value.colours.slice(0, whole.value ? undefined : FIRST))
const grid = ref<HTMLElement | null>(null)
// The cell that has the focus: column 0 is the palette colour itself.
const at = ref({ row: 0, column: 0 })
const choosing = ref<{ colourKey: number; column: Column } | null>(null)
const editing = ref(0)
const moving = ref(false)
const choosingPaper = ref(false)
const keeping = ref(false)
const widening = ref(false)
const toRead = computed(() => card.value.to_read.map((one) => one.label))
// So many columns beside the colour itself; each keeps room for a code.
const across = computed(() => ({
  gridTemplateColumns: `138px repeat(${card.value.columns.length}, minmax(130px, 1fr))`,
}))
const small = useMediaQuery(SMALL)
const list = useAsked()
list.ready()
const { keep, want } = useDrawer(() => store.refresh())
const onlyOwned = useOnlyOwned('cards')
const ACTS: [string, () => void][] = [
  ['Papers that go with it', () => (choosingPaper.value = true)],
  ['Keep it as a combination', () => (keeping.value = true)],
  ['Move to other ranges', () => (moving.value = true)],
  ['Further columns', () => (widening.value = true)],
]

async function focus(row: number, column: number) {
  at.value = {
    row: Math.min(Math.max(row, 0), card.value.colours.length - 1),
    column: Math.min(Math.max(column, 0), card.value.columns.length),
  }
  await nextTick()
  const wanted = `[data-row="${at.value.row}"][data-column="${at.value.column}"]`
  grid.value?.querySelector<HTMLElement>(wanted)?.focus()
}

function open(row: number, column: number) {
  const colour = card.value.colours[row]
  const there = card.value.columns[column - 1]
  if (!colour) return
  if (there) choosing.value = { colourKey: colour.key, column: there.key }
  else editing.value = colour.key
}

/** The cell before or after this one among the 12 nearest; the nearest itself is no choice. */
async function stepCell(row: number, column: number, by: number) {
  const { key, cells } = card.value.colours[row]!
  const cell = cells[column - 1]
  if (!cell?.match || cell.state === 'locked') return
  const found = await got(
    api.GET('/api/cards/{id}/alternatives', {
      params: {
        path: { id: card.value.id },
        query: { key, column: cell.column as Column, owned: session.onlyOwned, made: true },
      },
    }),
  )
  const now = found.matches.findIndex((match) => match.swatch.id === cell.match?.swatch.id)
  const next = found.matches[Math.min(Math.max(now + by, 0), found.matches.length - 1)]
  if (!next || next.swatch.id === cell.match.swatch.id) return
  await choose(key, cell.column as Column, next.swatch.id)
}

const choose = (key: number, column: Column, colour: number, locked = false) =>
  store.change({ kind: 'choose', key, column, colour, locked })

function lock(row: number, column: number) {
  const { key, cells } = card.value.colours[row]!
  const cell = cells[column - 1]
  if (cell?.match)
    void choose(key, cell.column as Column, cell.match.swatch.id, cell.state !== 'locked')
}

function clear(row: number, column: number) {
  const { key, cells } = card.value.colours[row]!
  const cell = cells[column - 1]
  if (cell?.state === 'chosen')
    void store.change({ kind: 'clear_choice', key, column: cell.column as Column })
}

function onKey(event: KeyboardEvent) {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const { row, column } = at.value
  const there = card.value.colours[row]?.cells[column - 1]?.match?.swatch
  const last = card.value.columns.length
  const moves: Record<string, () => unknown> = {
    ArrowUp: () => focus(row - 1, column),
    ArrowDown: () => focus(row + 1, column),
    ArrowLeft: () => focus(row, column - 1),
    ArrowRight: () => focus(row, column + 1),
    Home: () => focus(row, 0),
    End: () => focus(row, last),
    Enter: () => open(row, column),
    ' ': () => open(row, column),
  }
  if (column > 0) {
    moves['['] = () => stepCell(row, column, -1).catch(notices.fail)
    moves[']'] = () => stepCell(row, column, 1).catch(notices.fail)
    moves.l = moves.L = () => lock(row, column)
    moves.m = moves.M = () => there && keep(there, there.owned ? null : 'full')
    moves.b = moves.B = () => there && want(there, !list.ids.has(there.id))
    moves.Backspace = moves.Delete = () => clear(row, column)
  }
  const move = moves[event.key]
  if (!move) return
  event.preventDefault()
  move()
}
const tab = (row: number, column: number) =>
  at.value.row === row && at.value.column === column ? 0 : -1
</script>

<template>
  <div v-if="!card.colours.length" class="panel mx-auto mt-10 max-w-xl p-6">
    <h2 class="mb-2 text-lg">Start the palette</h2>
    <p class="mb-4">
      Add a first colour: find one of any range by its code or name, or give a value. Jindle then
      shows the nearest in every medium. Three or four hues with neutrals and a dark make a card.
    </p>
    <button type="button" class="button button-main" @click="$emit('add')">
      Add a colour <kbd class="keycap !bg-transparent">/</kbd>
    </button>
  </div>
  <div v-else>
    <div class="mb-2 flex items-center justify-between px-1 small:mb-1">
      <p class="flex items-center text-xs text-soft small:hidden">
        The nearest in each medium<WordTip word="cousin" />
        <span v-if="toRead.length" class="pl-2" :title="toRead.join(', ')">
          Words beside labels are probable. Read {{ toRead.slice(0, 2).join(', ')
          }}{{ toRead.length > 2 ? ` and ${toRead.length - 2} more` : '' }} to be sure.
        </span>
        <span v-else class="pl-2 pointer-coarse:hidden"
          >Arrows move, Enter compares, L locks, M is mine, B to buy.</span
        >
      </p>
      <span class="flex items-center gap-4">
        <Menu as="div" class="relative">
          <MenuButton class="button whitespace-nowrap">
            With this palette <ChevronDownIcon class="size-4" aria-hidden="true" />
          </MenuButton>
          <MenuItems class="panel absolute right-0 z-20 mt-1 w-64 p-1">
            <MenuItem v-for="[words, act] in ACTS" :key="words" v-slot="{ active }">
              <button
                type="button"
                class="w-full cursor-pointer rounded-panel px-3 py-2 text-left"
                :class="active && 'bg-strong text-onstrong'"
                @click="act"
              >
                {{ words }} …
              </button>
            </MenuItem>
          </MenuItems>
        </Menu>
        <OnOff v-model="onlyOwned" class="whitespace-nowrap">Only what I own</OnOff>
      </span>
    </div>
    <OneColour v-if="small" @open="open" />
    <div
      v-else
      ref="grid"
      role="grid"
      aria-label="Palette table: palette colours down, media across"
      :aria-busy="!whole"
      :style="{ minWidth: `${138 + 136 * card.columns.length}px` }"
      @keydown="onKey"
    >
      <div role="row" class="grid" :style="across">
        <div role="columnheader" class="sticky left-0 z-10 bg-room px-2 py-1.5 text-xs text-soft">
          Colour
        </div>
        <div
          v-for="column in card.columns"
          :key="column.key"
          role="columnheader"
          class="px-2.5 py-1.5 text-xs text-soft"
        >
          {{ column.title }}
        </div>
      </div>
      <TransitionGroup name="slide" tag="div" role="presentation" class="space-y-1.5">
        <div
          v-for="(colour, row) in rows"
          :key="colour.key"
          role="row"
          class="grid"
          :style="across"
        >
          <ColourHead
            :colour="colour"
            :place="row + 1"
            :lit="store.lit === colour.key"
            :data-row="row"
            :data-column="0"
            :tabindex="tab(row, 0)"
            @focus="at = { row, column: 0 }"
            @click="open(row, 0)"
          />
          <PaletteCell
            v-for="(cell, n) in colour.cells"
            :key="cell.column"
            :cell="cell"
            :itself="!!colour.anchor && cell.match?.swatch.id === colour.anchor.id"
            :data-row="row"
            :data-column="n + 1"
            :tabindex="tab(row, n + 1)"
            @focus="at = { row, column: n + 1 }"
            @click="open(row, n + 1)"
          />
        </div>
      </TransitionGroup>
    </div>
    <KeepCombination
      v-if="keeping"
      :suggested="card.name"
      :card="card.id"
      @close="keeping = false"
    />
    <ColumnsDialog v-if="widening" @close="widening = false" />
    <PapersDialog v-if="choosingPaper" @close="choosingPaper = false" />
    <MoveDialog v-if="moving" @close="moving = false" />
    <AlternativesDialog
      v-if="choosing"
      v-bind="choosing"
      @papers="((choosing = null), (choosingPaper = true))"
      @close="
        () => {
          choosing = null
          focus(at.row, at.column)
        }
      "
    />
    <ColourDialog
      v-if="editing"
      :colour-key="editing"
      @close="
        () => {
          editing = 0
          focus(at.row, at.column)
        }
      "
    />
  </div>
</template>

<style scoped>
.slide-move {
  transition: transform 150ms ease-out;
}
</style>
