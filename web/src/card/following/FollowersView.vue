<script setup lang="ts">
import { computed } from 'vue'
import type { Following } from '@/api/client'
import { useSession } from '@/lib/session'
import { plural } from '@/lib/words'
import DeskCard from '@/drawing/DeskCard.vue'

/** A card before and after, side by side, and what follows: each can be held as it is. */
const { found } = defineProps<{ found: Following; name: string; busy: boolean }>()
const held = defineModel<string[]>('held', { required: true })
const session = useSession()
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
        <li
          v-for="one in moving"
          :key="one.id"
          class="flex items-center gap-3 rounded-data border border-line bg-sheet py-1 pr-2 pl-1"
          :class="one.held && 'opacity-70'"
        >
          <span class="flex h-9 w-28 shrink-0 gap-1" aria-hidden="true">
            <span v-for="side in ['before', 'after'] as const" :key="side" class="flex flex-1">
              <span
                v-for="(shades, n) in one[side]"
                :key="n"
                class="flex-1"
                :style="{ background: shades[session.view] }"
              />
            </span>
          </span>
          <span class="min-w-0 flex-1 text-xs">
            <span class="block truncate text-soft" :title="one.words">{{ one.words }}</span>
            <b class="block break-words">{{
              one.held ? 'stays as it is' : one.labels.join(', ')
            }}</b>
          </span>
          <button
            type="button"
            class="button !px-2 !text-xs"
            :aria-pressed="one.held"
            @click="hold(one.id)"
          >
            Hold<span class="sr-only"> {{ one.words }}</span>
          </button>
        </li>
      </ul>
    </template>
    <p v-if="staying.length" class="mb-4 text-xs text-soft">
      Staying as they are:
      {{ staying.map((one) => `${one.words} (${one.note})`).join('; ') }}.
    </p>
  </div>
</template>
