<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'
import { WAITING } from '@/api/again'
import { useInstalled } from '@/lib/installed'
import { useOutbox } from '@/lib/outbox'
import { plural } from '@/lib/words'

/** Says that there is no network, what still opens, and what waits to be sent; or for the server. */
const online = useInstalled()
const outbox = useOutbox()
const waits = ref(false)
useEventListener(window, WAITING, (event: CustomEvent<boolean>) => (waits.value = event.detail))
</script>

<template>
  <p
    v-if="!online || outbox.count || waits"
    role="status"
    class="flex shrink-0 flex-wrap items-center gap-x-3 border-b border-line bg-strong px-3 py-1 text-xs text-onstrong"
  >
    <span v-if="!online"
      ><b>No network.</b> The drawer, the shopping list and the last plans open as they were last
      seen.</span
    >
    <span v-if="waits"
      ><b>The server is away for a moment.</b> Leave this page open: what you did is sent as soon as
      it answers.</span
    >
    <template v-if="outbox.count">
      <span>{{ plural(outbox.count, 'mark') }} kept on this device, not sent yet.</span>
      <button v-if="online" type="button" class="cursor-pointer underline" @click="outbox.send">
        Send now
      </button>
    </template>
  </p>
</template>
