<script setup lang="ts">
import { CheckIcon, ExclamationTriangleIcon, MinusIcon, XMarkIcon } from '@heroicons/vue/16/solid'
import { computed } from 'vue'
import type { Check } from '@/api/client'

/** How something stands, by shape and fill; null where nothing is said of it. */
const { status } = defineProps<{ status: Check['status'] | null }>()
const MARKS = { holds: CheckIcon, 'look-again': ExclamationTriangleIcon, fails: XMarkIcon }
const mark = computed(() => (status ? MARKS[status] : MinusIcon))
const look = computed(() => {
  if (!status) return 'border-dashed border-edge'
  return status === 'fails' ? 'border-strong bg-strong text-onstrong' : 'border-ink'
})
</script>

<template>
  <span
    class="mt-0.5 flex size-5 shrink-0 items-center justify-center rounded-full border"
    :class="look"
  >
    <component :is="mark" class="size-3.5" aria-hidden="true" />
  </span>
</template>
