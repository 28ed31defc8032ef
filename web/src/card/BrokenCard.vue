<script setup lang="ts">
import { useRouter } from 'vue-router'
import { api, ApiError, got } from '@/api/client'
import { useShelf } from '@/lib/shelf'
import { useFetched } from '@/lib/fetched'
import { useNotices } from '@/lib/notices'
import { useCard } from './card'

/** A card that cannot be shown: back to a state that can, out as a file, or deleted. */
const { id } = defineProps<{ id: number }>()
const store = useCard()
const notices = useNotices()
const router = useRouter()
const moves = useShelf('cards')
const { data: told, refresh } = useFetched(
  () => id,
  () => got(api.GET('/api/cards/{id}/states', { params: { path: { id } } })),
)

async function goTo(number: number) {
  try {
    const body = { version: told.value!.version, number }
    await api.POST('/api/cards/{id}/states', { params: { path: { id } }, body })
    await store.open(id)
  } catch (error) {
    notices.fail(error)
    if (!(error instanceof ApiError && error.status === 409)) return
  }
  await refresh()
}
async function remove() {
  await moves.remove({ id, name: told.value!.name })
  await router.push('/cards')
}
</script>

<template>
  <main class="overflow-y-auto p-8">
    <h1 class="mb-2 text-xl">{{ told?.name ?? 'This card' }}</h1>
    <p class="mb-1 max-w-2xl" role="alert">{{ store.broken }}</p>
    <p class="mb-5 max-w-2xl text-soft">
      Nothing of it is lost. Take the last change back, or go to any earlier state; changes made
      after it stay here until you make another.
    </p>
    <template v-if="told">
      <span class="mb-6 flex flex-wrap gap-2">
        <a class="button" :href="`/api/cards/${id}/file`" download>Take it along as a file</a>
        <button type="button" class="button" @click="remove">Delete the card</button>
      </span>
      <h2 class="mb-2 text-base">Its states, the newest first</h2>
      <ol class="max-w-xl space-y-1">
        <li
          v-for="state in told.states"
          :key="state.number"
          class="panel flex items-center gap-3 px-4 py-2"
        >
          <span class="flex-1">{{ state.number }}: {{ state.label }}</span>
          <b v-if="state.now">as it is now</b>
          <button v-else type="button" class="button" @click="goTo(state.number)">
            Go back to this<span class="sr-only">, {{ state.number }}</span>
          </button>
        </li>
      </ol>
    </template>
  </main>
</template>
