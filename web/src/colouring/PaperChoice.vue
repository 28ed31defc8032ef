<script setup lang="ts">
import { ref } from 'vue'
import type { Colouring } from '@/api/client'
import { useCard } from '@/cards/card'
import { useNotices } from '@/lib/notices'
import { useSession } from '@/lib/session'
import AppDialog from '@/ui/AppDialog.vue'
import FindColour, { type Picked } from '@/ui/FindColour.vue'

/** The paper that the picture is coloured on. */
defineProps<{ colouring: Colouring }>()
const store = useCard()
const session = useSession()
const notices = useNotices()
const choosing = ref(false)

async function take(paper: number | null) {
  if (await store.change({ kind: 'set_colouring', paper })) choosing.value = false
}
function pick(picked: Picked) {
  if ('swatch' in picked) void take(picked.swatch.id)
  else notices.show('Pictures are coloured on a cardstock of a range.', true)
}
</script>

<template>
  <button type="button" class="button" @click="choosing = true">
    <span
      class="size-5 rounded-data border border-line"
      :style="{
        background:
          store.card?.desk.picture?.paper[session.view] ?? colouring.paper?.shades[session.view],
      }"
    />
    {{ colouring.paper ? `${colouring.paper.range_name} ${colouring.paper.label}` : 'White paper' }}
    <span class="sr-only">, choose the paper</span>
  </button>
  <AppDialog v-if="choosing" title="The paper under the colour" @close="choosing = false">
    <button v-if="colouring.paper" type="button" class="button mb-3" @click="take(null)">
      White marker paper
    </button>
    <FindColour act="take it as the paper" @pick="pick" @leave="choosing = false" />
  </AppDialog>
</template>
