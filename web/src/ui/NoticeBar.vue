<script setup lang="ts">
import { useNotices } from '@/lib/notices'

const notices = useNotices()
</script>

<template>
  <div
    class="fixed bottom-20 left-1/2 z-30 w-full max-w-xl -translate-x-1/2 space-y-2 px-4"
    aria-live="polite"
  >
    <div
      v-for="notice in notices.list"
      :key="notice.id"
      class="panel flex items-start gap-3 !border-ink px-4 py-3"
      :role="notice.failed ? 'alert' : 'status'"
    >
      <p class="flex-1"><b v-if="notice.failed">Not done. </b>{{ notice.text }}</p>
      <button
        type="button"
        class="button button-plain !min-h-6"
        @click="notices.dismiss(notice.id)"
      >
        Dismiss
      </button>
    </div>
  </div>
</template>
