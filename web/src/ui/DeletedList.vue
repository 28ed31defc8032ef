<script setup lang="ts">
import { api, got } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useSession } from '@/lib/session'
import { useShelf, type Kind } from '@/lib/shelf'

/** Deleted cards, papers or drawings that can be brought back. */
const { kind } = defineProps<{ kind: Kind }>()
const session = useSession()
const { data } = useFetched([], () =>
  got(api.GET('/api/{kind}/deleted', { params: { path: { kind: kind as 'cards' } } })),
)
const { bringBack, removeForGood } = useShelf(kind)
const day = (at: string) => new Date(at).toLocaleDateString(undefined, { dateStyle: 'medium' })
const WITH = {
  cards: 'with all its states',
  papers: 'with its colours',
  drawings: 'and is seen again on the cards that it was on',
  ranges: 'with what was owned and read of it',
}
</script>

<template>
  <p v-if="!data" class="text-soft">Fetching what you deleted …</p>
  <section v-else class="max-w-2xl">
    <p class="mb-3 text-soft">
      Each can be brought back for {{ session.limits?.deleted_days }} days, {{ WITH[kind] }}. After
      that it is gone for good.
    </p>
    <p v-if="!data.length">Nothing is deleted.</p>
    <ul v-else class="panel divide-y divide-line">
      <li v-for="one in data" :key="one.id" class="flex flex-wrap items-center gap-2 px-3 py-2">
        <span class="min-w-40 flex-1 font-semibold break-words">{{ one.name }}</span>
        <span class="text-xs text-soft">deleted {{ day(one.deleted) }}</span>
        <button type="button" class="button" @click="bringBack(one)">
          Bring it back<span class="sr-only">: {{ one.name }}</span>
        </button>
        <button type="button" class="button button-plain" @click="removeForGood(one)">
          Delete for good<span class="sr-only">: {{ one.name }}</span>
        </button>
      </li>
    </ul>
  </section>
</template>
