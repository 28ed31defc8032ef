<script setup lang="ts">
import { ref } from 'vue'
import type { MendableEnd, Piece } from '@/api/client'
import { useCard } from '@/cards/card'
import { useSession } from '@/lib/session'
import AppDialog from '@/ui/AppDialog.vue'
import FindColour, { type Picked } from '@/ui/FindColour.vue'

/** What a piece is made of: a palette colour, white, or a supply. */
defineProps<{ piece: Piece }>()
const emit = defineEmits<{ take: [material: MendableEnd] }>()
const store = useCard()
const session = useSession()
const choosing = ref(false)

function take(material: MendableEnd) {
  choosing.value = false
  emit('take', material)
}
function pick(picked: Picked) {
  if ('swatch' in picked) take({ source: 'supply', id: picked.swatch.id })
}
</script>

<template>
  <button type="button" class="button w-full !justify-start" @click="choosing = true">
    <span
      class="size-5 shrink-0 border border-line"
      :style="{ background: piece.material.shades[session.view] }"
    />
    <span class="min-w-0 truncate">{{ piece.material.words }}</span>
    <span class="sr-only">, of something else</span>
  </button>
  <AppDialog v-if="choosing" :title="`What ${piece.name} is made of`" @close="choosing = false">
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
        <button
          type="button"
          class="flex h-full w-full cursor-pointer items-center rounded-data border border-line bg-sheet px-3 text-left hover:border-ink"
          @click="take({ source: 'white', id: 0 })"
        >
          White card
        </button>
      </li>
    </ul>
    <FindColour act="take it as the material" @pick="pick" @leave="choosing = false" />
  </AppDialog>
</template>
