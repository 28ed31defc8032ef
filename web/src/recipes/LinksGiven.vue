<script setup lang="ts">
import { api, got } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useNotices } from '@/lib/notices'
import { day } from '@/lib/words'

/** Every recipe that is shared by a link: each can be ended here. */
const notices = useNotices()
const { data, refresh } = useFetched([], () => got(api.GET('/api/links')))
async function end(id: number) {
  try {
    await got(api.DELETE('/api/links/{id}', { params: { path: { id } } }))
    await refresh()
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <section class="panel p-5" aria-labelledby="links">
    <h2 id="links" class="mb-2 text-base">Recipes shared by a link</h2>
    <p v-if="data && !data.length" class="text-soft">None. What you make is yours alone.</p>
    <ul v-else class="space-y-1.5">
      <li v-for="link in data" :key="link.id" class="flex items-center gap-2">
        <RouterLink :to="link.address" class="min-w-0 flex-1 truncate underline">{{
          link.name
        }}</RouterLink>
        <span class="text-xs text-soft">{{ day(link.created) }}</span>
        <button type="button" class="button" @click="end(link.id)">
          End<span class="sr-only"> the link to {{ link.name }}</span>
        </button>
      </li>
    </ul>
  </section>
</template>
