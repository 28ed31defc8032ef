<script setup lang="ts">
import { api, got } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { day, plural } from '@/lib/words'
import MarkLow from './MarkLow.vue'

/** How often supplies went into something, and what of the drawer did not for a year. */
const { data } = useFetched([], () => got(api.GET('/api/records/supplies')))
</script>

<template>
  <main class="overflow-y-auto p-6 small:p-3">
    <header class="head">
      <RouterLink to="/log" class="button">Back to the log</RouterLink>
      <h1 class="text-xl">How supplies are used</h1>
    </header>
    <p v-if="!data" class="text-soft">Counting …</p>
    <div v-else class="grid items-start gap-6 lg:grid-cols-2">
      <section aria-labelledby="used">
        <h2 id="used" class="mb-2 text-base">Most used first</h2>
        <p v-if="!data.used.length" class="panel p-3">Nothing is written down yet.</p>
        <ul v-else class="panel divide-y divide-line">
          <li
            v-for="one in data.used"
            :key="`${one.range_name} ${one.label}`"
            class="flex items-center gap-3 pr-3"
          >
            <RouterLink
              class="flex min-w-0 flex-1 items-center gap-3 py-1.5 pl-3 hover:bg-room"
              :to="{ path: '/log', query: { label: one.label, range: one.range_name } }"
            >
              <span
                class="size-6 rounded-data border border-line"
                :style="{ background: one.shade }"
              />
              <span class="min-w-0 flex-1"
                ><b>{{ one.label }}</b>
                <span class="block text-xs">{{ one.range_name }}, {{ one.medium }}</span></span
              >
              <span class="text-xs"
                >{{ plural(one.times, 'time') }}, last on {{ day(one.last) }}</span
              >
            </RouterLink>
            <MarkLow
              v-if="one.id !== null && one.fullness !== null"
              :id="one.id"
              :label="one.label"
              :fullness="one.fullness"
            />
          </li>
        </ul>
      </section>
      <section aria-labelledby="unused">
        <h2 id="unused" class="mb-2 text-base">In the drawer, not used for a year</h2>
        <p v-if="!data.unused.length" class="panel p-3">Everything in the drawer was used.</p>
        <ul v-else class="panel divide-y divide-line">
          <li v-for="one in data.unused" :key="one.id" class="flex items-center gap-3 px-3 py-1.5">
            <RouterLink :to="`/match/${one.id}`" class="min-w-0 flex-1"
              ><b class="underline">{{ one.label }}</b>
              <span class="block text-xs">{{ one.range_name }}</span></RouterLink
            >
            <span class="text-xs text-soft">{{
              one.last ? `last on ${day(one.last)}` : 'never written down'
            }}</span>
          </li>
        </ul>
      </section>
    </div>
  </main>
</template>
