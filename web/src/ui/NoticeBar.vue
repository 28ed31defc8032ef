<script setup lang="ts">
import { useNotices } from '@/lib/notices'

const notices = useNotices()
</script>

<template>
  <div
    class="space-y-2"
    aria-live="polite"
    @mouseenter="notices.held = true"
    @mouseleave="notices.held = false"
    @focusin="notices.held = true"
    @focusout="notices.held = false"
  >
    <div
      v-for="notice in notices.list"
      :key="notice.id"
      class="panel flex items-start gap-3 !border-ink px-4 py-3"
      :role="notice.failed ? 'alert' : 'status'"
    >
      <p class="flex-1"><b v-if="notice.failed">Not done. </b>{{ notice.text }}</p>
      <button
        v-if="notice.act"
        type="button"
        class="button !min-h-6"
        @click="(notice.act.run(), notices.dismiss(notice.id))"
      >
        {{ notice.act.words }}
      </button>
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
