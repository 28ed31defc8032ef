<script setup lang="ts">
import { computed } from 'vue'
import type { Comparison } from '@/api/client'
import { useSession } from '@/lib/session'
import { figure, nearness } from '@/lib/words'
import TheFigure from '@/ui/TheFigure.vue'

/** Colours with what is nearest to them in another range, those without a twin first. */
const { rows } = defineProps<{ title: string; rows: Comparison['here'] }>()
const session = useSession()
const twins = computed(() => rows.filter((row) => row.twin).length)
</script>

<template>
  <section>
    <h2 class="text-base">{{ title }}</h2>
    <p class="mb-2 text-xs text-soft">
      {{ twins }} of {{ rows.length }} may have a twin, as surely as both are known. Those that have
      none come first.
    </p>
    <ul class="divide-y divide-line">
      <li v-for="row in rows" :key="row.swatch.id" class="flex items-center gap-3 py-1">
        <span class="flex h-8 w-16 shrink-0" aria-hidden="true">
          <span class="flex-1" :style="{ background: row.swatch.shades[session.view] }" />
          <span
            v-if="row.match"
            class="flex-1"
            :style="{ background: row.match.swatch.shades[session.view] }"
          />
        </span>
        <b class="w-32 min-w-0 truncate" :title="row.swatch.label">{{ row.swatch.label }}</b>
        <span class="min-w-0 flex-1 text-xs">
          <template v-if="row.match">
            <template v-if="row.twin">{{ row.match.swatch.label }}: </template>
            <template v-else><b>no twin</b>, nearest {{ row.match.swatch.label }}: </template>
            {{ nearness(row.match) }} <TheFigure :text="figure(row.match)" />
          </template>
          <b v-else>no twin</b>
        </span>
      </li>
    </ul>
  </section>
</template>
