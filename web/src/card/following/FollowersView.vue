<script setup lang="ts">
import { computed } from 'vue'
import type { Following } from '@/api/client'
import { plural } from '@/lib/words'
import DeskCard from '@/drawing/DeskCard.vue'
import FollowerRow from './FollowerRow.vue'

/** A card before and after, side by side, and what follows: each can be held as it is. */
const { found } = defineProps<{ found: Following; name: string; busy: boolean }>()
const held = defineModel<string[]>('held', { required: true })
const moving = computed(() => found.followers.filter((one) => !one.fixed))
const staying = computed(() => found.followers.filter((one) => one.fixed))

function hold(id: string) {
  held.value = held.value.includes(id)
    ? held.value.filter((one) => one !== id)
    : [...held.value, id]
}
</script>

<template>
  <div>
    <div class="mb-4 grid gap-4 sm:grid-cols-2" :class="busy && 'opacity-60'">
      <figure v-for="side in ['before', 'after'] as const" :key="side" class="panel bg-wall p-3">
        <figcaption class="mb-2 text-sm font-semibold">
          {{ side === 'before' ? 'Now' : 'Then' }}
        </figcaption>
        <div class="h-48"><DeskCard :desk="found[side]" :words="`${name}, ${side}`" /></div>
      </figure>
    </div>
    <p v-if="found.ended.length" class="mb-2">
      <b>{{ plural(found.ended.length, 'check') }} would no longer hold:</b>
      {{ found.ended.join('; ') }}.
    </p>
    <p v-if="found.mended.length" class="mb-2">
      {{ plural(found.mended.length, 'check') }} would hold again: {{ found.mended.join('; ') }}.
    </p>
    <template v-if="moving.length">
      <h3 class="mt-4 mb-2 text-sm">What goes along</h3>
      <ul class="mb-4 grid gap-1.5 sm:grid-cols-2">
        <FollowerRow v-for="one in moving" :key="one.id" :one="one">
          <button
            type="button"
            class="button !px-2 !text-xs"
            :aria-pressed="one.held"
            @click="hold(one.id)"
          >
            Hold<span class="sr-only"> {{ one.words }}</span>
          </button>
        </FollowerRow>
      </ul>
    </template>
    <p v-if="staying.length" class="mb-4 text-xs text-soft">
      Staying as they are:
      {{ staying.map((one) => `${one.words} (${one.note})`).join('; ') }}.
    </p>
  </div>
</template>
