<script setup lang="ts">
import { ref } from 'vue'
import type { Swatch } from '@/api/client'
import { useSession } from '@/lib/session'
import AppDialog from './AppDialog.vue'
import FindColour, { type Picked } from './FindColour.vue'

/** The cardstock under something; none is white marker paper. `take` says whether it was taken. */
const {
  paper,
  shade,
  title = 'The paper under the colour',
  white = 'White paper',
  take,
} = defineProps<{
  paper: Swatch | null
  shade?: string
  title?: string
  white?: string
  take: (paper: number | null) => Promise<boolean>
}>()
const session = useSession()
const choosing = ref(false)

async function choose(id: number | null) {
  if (await take(id)) choosing.value = false
}
function pick(picked: Picked) {
  if ('swatch' in picked) void choose(picked.swatch.id)
}
</script>

<template>
  <button type="button" class="button" @click="choosing = true">
    <span
      class="size-5 rounded-data border border-line"
      :style="{ background: shade ?? paper?.shades[session.view] }"
    />
    {{ paper ? `${paper.range_name} ${paper.label}` : white }}
    <span class="sr-only">, choose the paper</span>
  </button>
  <AppDialog v-if="choosing" :title="title" @close="choosing = false">
    <button v-if="paper" type="button" class="button mb-3" @click="choose(null)">
      White marker paper
    </button>
    <FindColour
      column="cardstock"
      act="take it as the paper"
      @pick="pick"
      @leave="choosing = false"
    />
  </AppDialog>
</template>
