<script setup lang="ts">
import { computed } from 'vue'
import { api, got, type Wanted } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import SwatchShape from '@/drawing/SwatchShape.vue'
import ColourMenu from '@/ui/ColourMenu.vue'
import SuppliesFrame from './SuppliesFrame.vue'

/** What my cards need, or I want, and the drawer lacks. */
const { data, refresh } = useFetched([], () => got(api.GET('/api/shopping')))
const groups = computed(() => {
  const found = new Map<string, Wanted[]>()
  for (const item of data.value ?? [])
    found.set(item.swatch.range_name, [...(found.get(item.swatch.range_name) ?? []), item])
  return [...found]
})
</script>

<template>
  <SuppliesFrame>
    <template v-if="data?.length" #actions>
      <a class="button" href="/api/shopping/file">Save as CSV</a>
    </template>
    <p v-if="!data" class="text-soft">Going through the cards …</p>
    <p v-else-if="!data.length" class="panel max-w-xl p-6">
      Nothing is wanting: what your cards name, as a palette colour or as a chosen supply, is in
      your drawer. What you mark “To buy”, beside a colour, stands here too.
    </p>
    <template v-else>
      <p class="mb-4 text-soft">
        What your cards name, as a palette colour or as a chosen supply, or you marked “To buy”, and
        your drawer lacks.
      </p>
      <section v-for="[range, items] in groups" :key="range" class="mb-5">
        <h2 class="mb-1.5 text-sm text-soft">{{ range }}, {{ items[0]!.swatch.medium }}</h2>
        <ul class="panel divide-y divide-line">
          <li
            v-for="item in items"
            :key="item.swatch.id"
            class="flex flex-wrap items-center gap-4 px-3 py-1.5"
          >
            <SwatchShape :swatch="item.swatch" />
            <span class="w-52 min-w-0">
              <RouterLink :to="`/match/${item.swatch.id}`" class="font-semibold underline">{{
                item.swatch.label
              }}</RouterLink>
              <span v-if="item.swatch.code" class="block text-xs">{{ item.swatch.name }}</span>
            </span>
            <span class="w-52 text-xs"
              ><b>{{ item.why }}</b
              ><span v-if="item.asked" class="block">you marked it to buy</span
              ><span v-if="item.example" class="block">a made-up example, in no shop</span
              ><span v-if="item.swatch.discontinued" class="block">discontinued</span></span
            >
            <span class="min-w-40 flex-1 text-xs text-soft"
              ><template v-if="item.cards.length">for {{ item.cards.join('; ') }}</template></span
            >
            <ColourMenu class="ml-auto" listed :swatch="item.swatch" @changed="refresh" />
          </li>
        </ul>
      </section>
    </template>
  </SuppliesFrame>
</template>
