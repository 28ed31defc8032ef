<script setup lang="ts">
import { ArrowDownTrayIcon, PlusIcon } from '@heroicons/vue/20/solid'
import { computed, ref } from 'vue'
import { api, got, type Range } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { plural } from '@/lib/words'
import NewRange from './NewRange.vue'
import SuppliesFrame from './SuppliesFrame.vue'

const { data: ranges } = useFetched([], () => got(api.GET('/api/ranges')))
const making = ref(false)

const media = computed(() => {
  const groups = new Map<string, Range[]>()
  for (const range of ranges.value ?? [])
    groups.set(range.medium, [...(groups.get(range.medium) ?? []), range])
  return [...groups]
})
</script>

<template>
  <SuppliesFrame>
    <template #actions>
      <button type="button" class="button" @click="making = true">
        <PlusIcon class="size-4" aria-hidden="true" />Make a range
      </button>
      <RouterLink to="/supplies/photograph" class="button">Swatches from a photo</RouterLink>
      <RouterLink to="/supplies/import" class="button button-main">
        <ArrowDownTrayIcon class="size-4" aria-hidden="true" />Bring in a range
      </RouterLink>
    </template>
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
    <NewRange v-if="making" @close="making = false" />
  </SuppliesFrame>
</template>
