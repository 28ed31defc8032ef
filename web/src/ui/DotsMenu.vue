<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { EllipsisVerticalIcon } from '@heroicons/vue/20/solid'
import { ref, useTemplateRef } from 'vue'
import type { RouteLocationRaw } from 'vue-router'

export type DotsItem = { words: string; chosen?: boolean } & (
  { to: RouteLocationRaw } | { run: () => unknown }
)
/** What else can be done with a thing: behind three dots, over everything that scrolls or cuts off. */
defineProps<{ label: string; items: DotsItem[] }>()

const root = useTemplateRef<HTMLElement>('root')
const place = ref({ top: '0px', right: '0px' })
const HIGH = 420 // pixels that it takes at most, on a touch screen
const WIDE = 216 // w-52, and a little air
function lay() {
  const { bottom, right } = root.value!.getBoundingClientRect()
  const top = Math.max(Math.min(bottom, window.innerHeight - HIGH), 0)
  const aside = Math.min(window.innerWidth - right, window.innerWidth - WIDE)
  place.value = { top: `${top}px`, right: `${Math.max(aside, 0)}px` }
}
const ITEM =
  'flex w-full min-h-8 cursor-pointer items-center rounded-data px-2 py-1.5 text-left pointer-coarse:min-h-11'
</script>

<template>
  <div ref="root" class="inline-flex shrink-0">
    <Menu as="div">
      <MenuButton
        class="button button-plain !min-h-8 !px-1"
        :aria-label="label"
        @pointerdown="lay"
        @keydown="lay"
      >
        <EllipsisVerticalIcon class="size-4" aria-hidden="true" />
      </MenuButton>
      <MenuItems class="panel fixed z-20 max-h-dvh w-52 overflow-y-auto p-1 text-sm" :style="place">
        <MenuItem v-for="item in items" :key="item.words" v-slot="{ active }" as="template">
          <RouterLink v-if="'to' in item" :to="item.to" :class="[ITEM, active && 'bg-room']">{{
            item.words
          }}</RouterLink>
          <button
            v-else
            type="button"
            :class="[ITEM, active && 'bg-room', item.chosen && 'font-semibold']"
            @click="item.run"
          >
            {{ item.words }}
          </button>
        </MenuItem>
      </MenuItems>
    </Menu>
  </div>
</template>
