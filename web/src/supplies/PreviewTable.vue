<script setup lang="ts">
import type { Preview } from '@/api/client'
import { plural } from '@/lib/words'

defineProps<{ preview: Preview }>()
</script>

<template>
  <section class="panel overflow-x-auto p-5">
    <h2 class="mb-1 text-base">{{ plural(preview.count, 'colour') }} read</h2>
    <p class="mb-3 text-xs text-soft">
      {{ preview.kind }}.
      <template v-if="preview.count > preview.entries.length">
        The first {{ preview.entries.length }} of them:
      </template>
    </p>
    <table class="w-full text-left">
      <thead class="text-xs text-soft">
        <tr>
          <th class="pr-4 pb-1 font-normal">Row</th>
          <th class="pr-4 pb-1 font-normal">Colour</th>
          <th class="pr-4 pb-1 font-normal">Code</th>
          <th class="pr-4 pb-1 font-normal">Name</th>
          <th class="pr-4 pb-1 font-normal">L, a, b</th>
          <th class="pr-4 pb-1 font-normal">Family</th>
          <th class="pb-1 font-normal">Still made</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="entry in preview.entries" :key="entry.row" class="border-t border-line">
          <td class="py-1 pr-4 text-soft">{{ entry.row }}</td>
          <td class="pr-4"><span class="block h-6 w-12" :style="{ background: entry.hex }" /></td>
          <td class="pr-4 font-semibold">{{ entry.code }}</td>
          <td class="max-w-60 truncate pr-4">{{ entry.name }}</td>
          <td class="pr-4">{{ entry.lab.map((value) => value.toFixed(1)).join(', ') }}</td>
          <td class="max-w-40 truncate pr-4">{{ entry.family }}</td>
          <td>{{ entry.discontinued ? 'no' : 'yes' }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
