<script setup lang="ts">
import type { Following } from '@/api/client'
import { useSession } from '@/lib/session'

/** One thing that follows: as it is and as it would be. */
defineProps<{ one: Following['followers'][number] }>()
const session = useSession()
</script>

<template>
  <li
    class="flex items-center gap-3 rounded-data border border-line bg-sheet py-1 pr-2 pl-1"
    :class="one.held && 'opacity-70'"
  >
    <span class="flex h-9 w-28 shrink-0 gap-1" aria-hidden="true">
      <span v-for="side in ['before', 'after'] as const" :key="side" class="flex flex-1">
        <span
          v-for="(shades, n) in one[side]"
          :key="n"
          class="flex-1"
          :style="{ background: shades[session.view] }"
        />
      </span>
    </span>
    <span class="min-w-0 flex-1 text-xs">
      <span class="block truncate text-soft" :title="one.words">{{ one.words }}</span>
      <b class="block break-words">{{ one.held ? 'stays as it is' : one.labels.join(', ') }}</b>
      <span v-if="one.note && !one.fixed" class="block">{{ one.note }}</span>
    </span>
    <slot />
  </li>
</template>
