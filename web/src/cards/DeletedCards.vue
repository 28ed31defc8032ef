<script setup lang="ts">
import { api, got } from '@/api/client'
import { useCardMoves } from '@/lib/cardMoves'
import { useFetched } from '@/lib/fetched'
import { useSession } from '@/lib/session'

/** Deleted cards that can be brought back. */
const emit = defineEmits<{ changed: [] }>()
const session = useSession()
const { data, refresh } = useFetched([], () => got(api.GET('/api/cards/deleted')))
const { bringBack, removeForGood } = useCardMoves(async () => {
  await refresh()
  emit('changed')
})
const day = (at: string) => new Date(at).toLocaleDateString(undefined, { dateStyle: 'medium' })
</script>

<template>
  <p v-if="!data" class="text-soft">Fetching what you deleted …</p>
  <section v-else class="max-w-2xl">
    <p class="mb-3 text-soft">
      Each can be brought back for {{ session.limits?.deleted_days }} days, with all its states.
      After that it is gone for good.
    </p>
    <p v-if="!data.length">No card is deleted.</p>
    <ul class="panel divide-y divide-line">
      <li v-for="card in data" :key="card.id" class="flex flex-wrap items-center gap-2 px-3 py-2">
        <span class="min-w-40 flex-1 font-semibold break-words">{{ card.name }}</span>
        <span class="text-xs text-soft">deleted {{ day(card.deleted) }}</span>
        <button type="button" class="button" @click="bringBack(card)">
          Bring it back<span class="sr-only">: {{ card.name }}</span>
        </button>
        <button type="button" class="button button-plain" @click="removeForGood(card)">
          Delete for good<span class="sr-only">: {{ card.name }}</span>
        </button>
      </li>
    </ul>
  </section>
</template>
