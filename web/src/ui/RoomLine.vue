<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, got, type Keeping } from '@/api/client'

/** Says so while there is still room, when an account has nearly all that it may keep. */
const rooms = ref<Keeping[]>([])
// Without an answer nothing is said of it: it is told on the account's page too.
got(api.GET('/api/me/room')).then(
  (found) => (rooms.value = found),
  () => {},
)
const nearly = computed(() => rooms.value.filter((one) => one.nearly_full))
const words = computed(() =>
  nearly.value
    .map(
      (one) => `${one.there.toLocaleString('en')} of ${one.most.toLocaleString('en')} ${one.what}`,
    )
    .join(', '),
)
</script>

<template>
  <p v-if="nearly.length" role="status" class="shrink-0 border-b border-line px-3 py-1 text-xs">
    <b>Nearly full:</b> {{ words }}. Delete what you no longer need, or ask who runs this Jindle.
    <RouterLink to="/account" class="underline">What is kept</RouterLink>
  </p>
</template>
