<script setup lang="ts">
import { ref, watch } from 'vue'
import { api, got } from '@/api/client'
import { useNotices } from '@/lib/notices'

/** A supply of the drawer that is running low is said so where it is seen to be used. */
const { id, label, fullness } = defineProps<{ id: number; label: string; fullness: string }>()
const notices = useNotices()
const now = ref(fullness)
watch(
  () => fullness,
  (full) => (now.value = full),
)
async function mark() {
  try {
    const body = { colours: [id], owned: true, fullness: 'low' as const }
    await got(api.POST('/api/drawer', { body }))
    now.value = 'low'
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <span v-if="now === 'low' || now === 'dry'" class="text-xs whitespace-nowrap text-soft">{{
    now === 'low' ? 'running low' : 'dry'
  }}</span>
  <button v-else type="button" class="button !min-h-7 !px-2 !text-xs" @click="mark">
    Mark low<span class="sr-only">, {{ label }}</span>
  </button>
</template>
