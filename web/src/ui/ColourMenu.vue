<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { EllipsisVerticalIcon } from '@heroicons/vue/20/solid'
import { computed, ref, useTemplateRef } from 'vue'
import type { Swatch } from '@/api/client'
import { fullnessValues } from '@/api/schema'
import { useDrawer } from '@/lib/drawer'

/** The same few things for every colour, wherever it stands. */
const { swatch, asked = false } = defineProps<{
  swatch: Pick<Swatch, 'id' | 'label' | 'code' | 'name' | 'range_name' | 'owned' | 'fullness'>
  asked?: boolean // known to be on the shopping list by hand
}>()
const emit = defineEmits<{ changed: [] }>()
const { keep, want } = useDrawer(() => emit('changed'))
const links = computed(() => [
  { words: 'Use instead', to: `/match/${swatch.id}?tab=instead` },
  { words: 'Into a palette', to: `/match/${swatch.id}?palette=1` },
  {
    words: 'Where I used it',
    to: { path: '/log', query: { label: swatch.label, range: swatch.range_name } },
  },
  { words: 'My readings', to: `/match/${swatch.id}?tab=readings` },
])
// Over everything: lists that scroll, and panels, would cut it off.
const root = useTemplateRef<HTMLElement>('root')
const place = ref({ top: '0px', right: '0px' })
const HIGH = 330 // pixels that it takes at most
const WIDE = 200 // w-48, and a little air
function lay() {
  const { bottom, right } = root.value!.getBoundingClientRect()
  const top = Math.max(Math.min(bottom, window.innerHeight - HIGH), 0)
  const aside = Math.min(window.innerWidth - right, window.innerWidth - WIDE)
  place.value = { top: `${top}px`, right: `${Math.max(aside, 0)}px` }
}
const ITEM = 'block w-full cursor-pointer rounded-data px-2 py-1.5 text-left'
</script>

<template>
  <div ref="root" class="inline-flex shrink-0">
    <button
      v-if="!swatch.owned"
      type="button"
      class="button button-plain !min-h-8 !px-2 !text-xs"
      @click="keep(swatch, 'full')"
    >
      I own it<span class="sr-only">: {{ swatch.label }}</span>
    </button>
    <Menu as="div">
      <MenuButton
        class="button button-plain !min-h-8 !px-1"
        :aria-label="`More of ${swatch.label}`"
        @pointerdown="lay"
        @keydown="lay"
      >
        <EllipsisVerticalIcon class="size-4" aria-hidden="true" />
      </MenuButton>
      <MenuItems class="panel fixed z-20 w-48 p-1 text-sm" :style="place">
        <MenuItem v-for="full in fullnessValues" :key="full" v-slot="{ active }" as="template">
          <button
            type="button"
            :class="[ITEM, active && 'bg-room', swatch.fullness === full && 'font-semibold']"
            @click="keep(swatch, full)"
          >
            {{ full === 'full' ? 'I own it, full' : `It is ${full}` }}
          </button>
        </MenuItem>
        <MenuItem v-if="swatch.owned" v-slot="{ active }" as="template">
          <button type="button" :class="[ITEM, active && 'bg-room']" @click="keep(swatch, null)">
            It is not mine
          </button>
        </MenuItem>
        <MenuItem v-if="asked || !swatch.owned" v-slot="{ active }" as="template">
          <button type="button" :class="[ITEM, active && 'bg-room']" @click="want(swatch, !asked)">
            {{ asked ? 'Off the shopping list' : 'To buy' }}
          </button>
        </MenuItem>
        <MenuItem v-for="link in links" :key="link.words" v-slot="{ active }" as="template">
          <RouterLink :to="link.to" :class="[ITEM, active && 'bg-room']">{{
            link.words
          }}</RouterLink>
        </MenuItem>
      </MenuItems>
    </Menu>
  </div>
</template>
