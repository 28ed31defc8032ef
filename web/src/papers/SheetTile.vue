<script setup lang="ts">
import type { Paper } from '@/api/client'
import { useSession } from '@/lib/session'

/** A sheet: its picture, its colours by their share, its title. */
defineProps<{ paper: Paper }>()
const session = useSession()
</script>

<template>
  <RouterLink
    :to="`/papers/${paper.id}`"
    class="flex h-full gap-3 border border-line bg-sheet p-2 hover:border-edge"
  >
    <img
      :src="`/api/papers/${paper.id}/picture?view=${session.view}`"
      :alt="`The sheet ${paper.title}`"
      class="size-24 shrink-0 object-cover"
      loading="lazy"
    />
    <span class="flex min-w-0 flex-1 flex-col">
      <b class="truncate">{{ paper.title }}</b>
      <span class="truncate text-xs text-soft"
        >{{ paper.collection }}{{ paper.own ? ', mine' : ''
        }}{{ paper.simulated ? ', simulated' : '' }}</span
      >
      <span class="mt-1.5 mb-1 flex h-5" aria-hidden="true">
        <span
          v-for="colour in paper.colours"
          :key="colour.id"
          :style="{ background: colour.shades[session.view], flexGrow: colour.share ?? 0.2 }"
        />
      </span>
      <slot />
    </span>
  </RouterLink>
</template>
