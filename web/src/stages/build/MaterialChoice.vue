<script setup lang="ts">
import { ref } from 'vue'
import { api, got, type MendableEnd, type Paper, type Piece } from '@/api/client'
import MeasureSheet from '@/papers/MeasureSheet.vue'
import ChoosePad from '@/card/ChoosePad.vue'
import { useCard } from '@/card/card'
import { useSession } from '@/lib/session'
import { useFetched } from '@/lib/fetched'
import { swatchStyle } from './build'
import AppDialog from '@/ui/AppDialog.vue'
import FindColour, { type Picked } from '@/ui/FindColour.vue'

/** What something is made of: a palette colour, white, a supply, the ground, or card inked by oneself. */
const { title, ground, inkable, ofSheet } = defineProps<{
  material: Piece['material']
  title: string
  /** Whether the ground is there to be put on it. */
  ground?: boolean
  /** Whether it can be inked with a pad. */
  inkable?: boolean
  /** Whether it can be cut out of a sheet of patterned paper. */
  ofSheet?: boolean
}>()
const emit = defineEmits<{
  take: [material: MendableEnd]
  sheet: [paper: number]
  ground: []
  ink: [pad: number]
}>()
const store = useCard()
const session = useSession()
const measuring = ref<Paper | null>(null)
const choosing = ref<'' | 'material' | 'pad' | 'sheet'>('')
const { data: papers } = useFetched(
  () => choosing.value === 'sheet',
  () =>
    choosing.value === 'sheet'
      ? got(api.GET('/api/papers')).then((all) => all.filter((one) => !one.put_by))
      : null,
)

function take(material: MendableEnd) {
  choosing.value = ''
  emit('take', material)
}
function pick(picked: Picked) {
  if ('swatch' in picked) take({ source: 'supply', id: picked.swatch.id })
}
function ink(pad: number) {
  choosing.value = ''
  emit('ink', pad)
}
/** Of a sheet whose scale is not known that is asked first. */
function cut(paper: Paper) {
  if (paper.width || !paper.own) measured(paper)
  else measuring.value = paper
}
function measured(paper: Paper) {
  measuring.value = null
  choosing.value = ''
  emit('sheet', paper.id)
}
function lay() {
  choosing.value = ''
  emit('ground')
}
</script>

<template>
  <button type="button" class="button w-full !justify-start" @click="choosing = 'material'">
    <span class="size-5 shrink-0 border border-line" :style="swatchStyle(material, session.view)" />
    <span class="min-w-0 truncate" :title="material.words">{{ material.words }}</span>
    <span class="sr-only">, of something else</span>
  </button>
  <AppDialog v-if="choosing === 'material'" :title="title" @close="choosing = ''">
    <ul class="mb-4 grid grid-cols-2 gap-1">
      <li v-for="(colour, n) in store.card!.colours" :key="colour.key">
        <button
          type="button"
          class="flex w-full cursor-pointer items-center gap-2 rounded-data border border-line bg-sheet text-left hover:border-ink"
          @click="take({ source: 'palette', id: colour.key })"
        >
          <span class="h-9 w-10 shrink-0" :style="{ background: colour.shades[session.view] }" />
          <span class="min-w-0 flex-1 truncate">{{ n + 1 }} {{ colour.name }}</span>
        </button>
      </li>
      <li>
        <button type="button" class="button w-full" @click="take({ source: 'white', id: 0 })">
          White card
        </button>
      </li>
      <li v-if="ground">
        <button type="button" class="button w-full" @click="lay()">The blended ground</button>
      </li>
      <li v-if="ofSheet">
        <button type="button" class="button w-full" @click="choosing = 'sheet'">
          A sheet with its pattern …
        </button>
      </li>
      <li v-if="inkable">
        <button type="button" class="button w-full" @click="choosing = 'pad'">
          Ink it with a pad …
        </button>
      </li>
    </ul>
    <FindColour act="take it as the material" @pick="pick" @leave="choosing = ''" />
  </AppDialog>
  <AppDialog v-if="choosing === 'sheet'" title="A sheet with its pattern" @close="choosing = ''">
    <p v-if="!papers" class="text-soft">Fetching the shelf …</p>
    <ul v-else class="grid grid-cols-3 gap-3">
      <li v-for="paper in papers" :key="paper.id">
        <button
          type="button"
          class="w-full cursor-pointer border border-line bg-sheet p-1.5 text-left hover:border-ink"
          @click="cut(paper)"
        >
          <img
            :src="`/api/papers/${paper.id}/picture?view=${session.view}`"
            alt=""
            class="aspect-square w-full object-cover"
            loading="lazy"
          />
          <b class="mt-1 block truncate">{{ paper.title }}</b>
          <span class="block truncate text-xs text-soft">{{ paper.collection }}</span>
          <span class="block text-xs text-soft">{{
            paper.width ? `${paper.width} wide` : 'its width is not said yet'
          }}</span>
        </button>
      </li>
    </ul>
  </AppDialog>
  <MeasureSheet
    v-if="measuring"
    :paper="measuring"
    @measured="measured"
    @close="measuring = null"
  />
  <ChoosePad
    v-if="choosing === 'pad'"
    title="A pad to ink it with"
    @take="ink"
    @close="choosing = ''"
  />
</template>
