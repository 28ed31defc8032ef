<script setup lang="ts">
import type { Problem } from '@/api/client'

/** What is wrong with an input, line by line. */
defineProps<{ problems: Problem[]; total?: number }>()
</script>

<template>
  <ul class="space-y-1.5">
    <li v-for="(problem, n) in problems" :key="n" class="border-l-2 border-ink pl-3">
      {{ problem.message }}
      <span v-if="problem.expected" class="text-soft">Expected: {{ problem.expected }}.</span>
    </li>
    <li v-if="total && total > problems.length" class="pl-3 text-soft">
      and {{ total - problems.length }} more.
    </li>
  </ul>
</template>
