<script setup lang="ts">
import { api, got } from '@/api/client'
import { useCard } from '@/card/card'
import { useFetched } from '@/lib/fetched'
import { percent } from '@/lib/words'
import SheetTile from '@/papers/SheetTile.vue'
import AppDialog from '@/ui/AppDialog.vue'

/** Which of my papers go with this palette, and why. */
defineEmits<{ close: [] }>()
const store = useCard()
const { data } = useFetched([], () =>
  got(api.GET('/api/cards/{id}/papers', { params: { path: { id: store.card!.id } } })),
)
const SHOWN = 8
</script>

<template>
  <AppDialog title="Papers that go with this palette" wide @close="$emit('close')">
    <p v-if="!data" class="text-soft">Holding the papers against it …</p>
    <p v-else-if="!data.length">There is no paper on the shelf yet.</p>
    <ul v-else class="grid gap-3 sm:grid-cols-2">
      <li v-for="going in data.slice(0, SHOWN)" :key="going.paper.id">
        <SheetTile :paper="going.paper">
          <span class="block text-xs">
            <b>{{ percent(going.agrees) }} of it agrees:</b> {{ going.reason }}.
          </span>
        </SheetTile>
      </li>
    </ul>
  </AppDialog>
</template>
