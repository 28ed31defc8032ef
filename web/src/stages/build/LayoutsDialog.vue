<script setup lang="ts">
import { api, got } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import AppDialog from '@/ui/AppDialog.vue'
import DeskCard from '@/drawing/DeskCard.vue'
import { useBuild } from './build'

/** The layouts as small pictures of this card: its size, its palette, its drawing. */
const { anew } = defineProps<{ anew: boolean }>()
const emit = defineEmits<{ close: [] }>()
const { store } = useBuild()
const { data } = useFetched([], () =>
  got(api.GET('/api/cards/{id}/build/layouts', { params: { path: { id: store.card!.id } } })),
)
async function begin(layout: string) {
  if (await store.change({ kind: 'start_layout', layout })) emit('close')
}
</script>

<template>
  <AppDialog
    :title="anew ? 'Begin anew from a layout' : 'Begin from a layout'"
    wide
    @close="$emit('close')"
  >
    <p class="mb-3 text-soft">
      Each as this card would look.
      <template v-if="anew">The pieces that there are give way; it can be undone.</template>
    </p>
    <p v-if="!data" class="text-soft">Laying them out …</p>
    <ul v-else class="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
      <li v-for="one in data" :key="one.key">
        <button
          type="button"
          class="panel block w-full cursor-pointer overflow-hidden text-left hover:border-ink"
          :disabled="store.busy"
          @click="begin(one.key)"
        >
          <span class="block h-40 bg-wall p-3">
            <DeskCard :desk="one.desk" :words="one.words" aria-hidden="true" />
          </span>
          <span class="block px-3 py-2 text-xs font-semibold">{{ one.words }}</span>
        </button>
      </li>
    </ul>
  </AppDialog>
</template>
