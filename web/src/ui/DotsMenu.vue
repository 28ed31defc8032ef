<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { EllipsisVerticalIcon } from '@heroicons/vue/20/solid'
import { useTemplateRef } from 'vue'
import type { RouteLocationRaw } from 'vue-router'
import { useBeside } from '@/lib/beside'

export type DotsItem = { words: string; chosen?: boolean } & (
  { to: RouteLocationRaw } | { run: () => unknown }
)
/** What else can be done with a thing: behind three dots, over everything that scrolls or cuts off. */
defineProps<{ label: string; items: DotsItem[] }>()

const root = useTemplateRef<HTMLElement>('root')
// At most 420 pixels high, on a touch screen; w-52.
const { place, lay } = useBeside(root, { high: 420, wide: 208 })
const ITEM =
  'flex w-full min-h-8 cursor-pointer items-center rounded-data px-2 py-1.5 text-left pointer-coarse:min-h-11'
</script>

<template>
  <div ref="root" class="inline-flex shrink-0">
    <Menu as="div">
      <MenuButton
        class="button button-plain !min-h-8 !px-1"
        :aria-label="label"
        @pointerdown="lay(true)"
        @keydown="lay(true)"
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
