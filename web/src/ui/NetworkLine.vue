<script setup lang="ts">
import { useInstalled } from '@/lib/installed'
import { useOutbox } from '@/lib/outbox'
import { plural } from '@/lib/words'

/** Says that there is no network, what still opens, and what waits to be sent. */
const online = useInstalled()
const outbox = useOutbox()
</script>

<template>
  <p
    v-if="!online || outbox.count"
    role="status"
    class="flex shrink-0 flex-wrap items-center gap-x-3 border-b border-line bg-strong px-3 py-1 text-xs text-onstrong"
  >
    <span v-if="!online"
      ><b>No network.</b> The drawer, the shopping list and the last plans open as they were last
      seen.</span
    >
    <template v-if="outbox.count">
      <span>{{ plural(outbox.count, 'mark') }} kept on this device, not sent yet.</span>
      <button v-if="online" type="button" class="cursor-pointer underline" @click="outbox.send">
        Send now
      </button>
    </template>
  </p>
</template>
