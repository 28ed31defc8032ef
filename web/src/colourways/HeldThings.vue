<script setup lang="ts">
import type { Holdable } from '@/api/client'
import { useSession } from '@/lib/session'

/** What stays as it is; and what keeps its own hue wherever it is shown. */
defineProps<{ options: Holdable[]; keepers: { value: string; words: string }[] }>()
const held = defineModel<string[]>('held', { required: true })
const things = defineModel<string[]>('things', { required: true })
const session = useSession()
const without = (list: string[], value: string) =>
  list.includes(value) ? list.filter((one) => one !== value) : [...list, value]
</script>

<template>
  <details class="basis-full">
    <summary class="w-fit cursor-pointer font-semibold">
      What stays as it is{{ held.length ? ` (${held.length})` : '' }}
    </summary>
    <div class="mt-2 flex flex-wrap gap-2" role="group" aria-label="What stays as it is">
      <button
        v-for="one in options"
        :key="one.id"
        type="button"
        class="button !min-h-8 !px-2"
        :class="held.includes(one.id) && '!border-ink !bg-sheet'"
        :aria-pressed="held.includes(one.id)"
        @click="held = without(held, one.id)"
      >
        <span
          v-if="one.shades"
          class="size-4 rounded-data border border-line"
          :style="{ background: one.shades[session.view] }"
          aria-hidden="true"
        />{{ one.words }}
      </button>
    </div>
    <div
      v-if="keepers.length"
      class="mt-2 flex flex-wrap items-center gap-3"
      role="group"
      aria-label="Keeps its own hue"
    >
      <span class="text-xs text-soft">Keeps its own hue:</span>
      <label v-for="one in keepers" :key="one.value" class="flex items-center gap-1.5">
        <input
          type="checkbox"
          :checked="things.includes(one.value)"
          @change="things = without(things, one.value)"
        />{{ one.words }}
      </label>
    </div>
  </details>
</template>
