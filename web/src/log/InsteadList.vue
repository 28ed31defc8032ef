<script setup lang="ts">
import { XMarkIcon } from '@heroicons/vue/20/solid'
import type { UsedInstead } from '@/api/client'

/** What was used otherwise than planned; each can be taken back. */
defineProps<{ used: readonly UsedInstead[] }>()
const emit = defineEmits<{ drop: [at: number] }>()
</script>

<template>
  <ul v-if="used.length" class="space-y-1" aria-label="Used instead">
    <li v-for="(one, at) in used" :key="at" class="panel flex items-center gap-2 px-2 py-1">
      <span
        class="size-5 shrink-0 rounded-data border border-line"
        :style="{ background: one.shade }"
      />
      <span class="min-w-0 flex-1 break-words"
        >{{ one.of }}: <b>{{ one.label }}</b> {{ one.name }} of {{ one.range }} instead of
        {{ one.was }}</span
      >
      <button
        type="button"
        class="button button-plain !min-h-7"
        :aria-label="`Take back: ${one.label} instead of ${one.was}`"
        @click="emit('drop', at)"
      >
        <XMarkIcon class="size-4" aria-hidden="true" />
      </button>
    </li>
  </ul>
</template>
