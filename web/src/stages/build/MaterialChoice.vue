<script setup lang="ts">
import { ref } from 'vue'
import type { MendableEnd, Piece } from '@/api/client'
import ChoosePad from '@/card/ChoosePad.vue'
import { useCard } from '@/card/card'
import { useSession } from '@/lib/session'
import AppDialog from '@/ui/AppDialog.vue'
import FindColour, { type Picked } from '@/ui/FindColour.vue'

/** What something is made of: a palette colour, white, a supply, the ground, or card inked by oneself. */
const { title, ground, inkable } = defineProps<{
  material: Piece['material']
  title: string
  /** Whether the ground is there to be put on it. */
  ground?: boolean
  /** Whether it can be inked with a pad. */
  inkable?: boolean
}>()
const emit = defineEmits<{ take: [material: MendableEnd]; ground: []; ink: [pad: number] }>()
const store = useCard()
const session = useSession()
const choosing = ref<'' | 'material' | 'pad'>('')

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
function lay() {
  choosing.value = ''
  emit('ground')
}
</script>

<template>
  <button type="button" class="button w-full !justify-start" @click="choosing = 'material'">
    <span
      class="size-5 shrink-0 border border-line"
      :style="{ background: material.shades[session.view] }"
    />
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
      <li v-if="inkable">
        <button type="button" class="button w-full" @click="choosing = 'pad'">
          Ink it with a pad …
        </button>
      </li>
    </ul>
    <FindColour act="take it as the material" @pick="pick" @leave="choosing = ''" />
  </AppDialog>
  <ChoosePad
    v-if="choosing === 'pad'"
    title="A pad to ink it with"
    @take="ink"
    @close="choosing = ''"
  />
</template>
