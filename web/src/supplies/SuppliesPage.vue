<script setup lang="ts">
import { ArrowDownTrayIcon } from '@heroicons/vue/20/solid'
import { computed, ref } from 'vue'
import { api, got, type Range } from '@/api/client'
import { useNotices } from '@/lib/notices'
import { plural } from '@/lib/words'

const notices = useNotices()
const ranges = ref<Range[] | null>(null)
got(api.GET('/api/ranges')).then((found) => (ranges.value = found), notices.fail)

const media = computed(() => {
  const groups = new Map<string, Range[]>()
  for (const range of ranges.value ?? [])
    groups.set(range.medium, [...(groups.get(range.medium) ?? []), range])
  return [...groups]
})
</script>

<template>
  <main class="overflow-y-auto p-6">
    <header class="mb-5 flex items-center justify-between">
      <h1 class="text-xl">Supplies</h1>
      <RouterLink to="/supplies/import" class="button button-main">
        <ArrowDownTrayIcon class="size-4" aria-hidden="true" />Bring in a range
      </RouterLink>
    </header>
    <p v-if="!ranges" class="text-soft">Fetching the ranges …</p>
    <p v-else-if="!ranges.length" class="panel max-w-xl p-6">
      No ranges yet. Bring in one of your own from a CSV file: a code or a name, and L, a, b or a
      hex value for each colour.
    </p>
    <section v-for="[medium, group] in media" :key="medium" class="mb-5">
      <h2 class="mb-1.5 text-sm text-soft first-letter:uppercase">{{ medium }}</h2>
      <ul class="panel divide-y divide-line">
        <li v-for="range in group" :key="range.id">
          <RouterLink
            :to="`/supplies/${range.id}`"
            class="flex flex-wrap items-center gap-x-5 gap-y-1 px-4 py-2 hover:bg-room"
          >
            <span class="w-56 min-w-0">
              <b class="block truncate">{{ range.name }}</b>
              <span class="block truncate text-xs text-soft">{{
                range.own ? 'my own range' : range.maker
              }}</span>
            </span>
            <span class="flex h-8 min-w-48 flex-1">
              <span
                v-for="(shade, n) in range.strip"
                :key="n"
                class="flex-1"
                :style="{ background: shade }"
              />
            </span>
            <span class="w-40 text-right text-xs">
              {{ plural(range.count, 'colour') }}
              <span class="block text-soft">{{
                range.owned ? `${range.owned} in my drawer` : 'none in my drawer'
              }}</span>
            </span>
          </RouterLink>
        </li>
      </ul>
    </section>
  </main>
</template>
