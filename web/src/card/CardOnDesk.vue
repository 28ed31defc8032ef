<script setup lang="ts">
import {
  Menu,
  MenuButton,
  MenuItem,
  MenuItems,
  RadioGroup,
  RadioGroupOption,
} from '@headlessui/vue'
import { ArrowDownTrayIcon } from '@heroicons/vue/20/solid'
import { computed, ref, useTemplateRef } from 'vue'
import { useRoute } from 'vue-router'
import { useNotices } from '@/lib/notices'
import { asPicture, asSvg, keep } from '@/lib/takeAlong'
import DeskCard from '@/drawing/DeskCard.vue'
import PieceHandle from './PieceHandle.vue'
import { useCard } from './card'

/** The card on the desk: its front, or opened; where it is built, its chosen piece can be moved. */
const store = useCard()
const route = useRoute()
const notices = useNotices()
const opened = ref(false)
const frame = useTemplateRef('frame')
const desk = computed(() => store.card!.desk)
const inside = computed(() => opened.value && desk.value.inside.length > 0)
const movable = computed(() => {
  const parts = inside.value ? desk.value.inside : desk.value.parts
  const piece = store.piece && parts.find((part) => part.piece === store.piece)
  return route.path.endsWith('/build') && piece ? piece : null
})

async function take(kind: 'svg' | 'png') {
  const drawn = frame.value!.querySelector('svg')!
  const aside = desk.value.fold === 'at-the-side'
  const halves = inside.value ? { wide: aside ? 2 : 1, high: aside ? 1 : 2 } : { wide: 1, high: 1 }
  const size: [number, number] = [halves.wide * desk.value.width, halves.high * desk.value.height]
  const name = `${store.card!.name}${inside.value ? ', inside' : ''}.${kind}`
  try {
    if (kind === 'png') keep(await asPicture(drawn, size), name)
    else keep(new Blob([await asSvg(drawn, size)], { type: 'image/svg+xml' }), name)
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <div>
    <div ref="frame" class="h-[208px]">
      <DeskCard
        :desk="desk"
        :words="store.card!.name"
        :lit="store.lit"
        :inside="inside"
        :role="movable ? 'group' : 'img'"
      >
        <PieceHandle v-if="movable" :key="movable.piece" :part="movable" data-on-screen />
      </DeskCard>
    </div>
    <div class="mt-2 flex items-center justify-between gap-2">
      <RadioGroup
        v-if="desk.inside.length"
        v-model="opened"
        class="flex gap-1"
        aria-label="Which side"
      >
        <RadioGroupOption
          v-for="side in [false, true]"
          :key="String(side)"
          v-slot="{ checked }"
          :value="side"
          class="rounded-panel"
        >
          <span class="button !px-2 !text-xs" :class="checked && 'button-main'">{{
            side ? 'Opened' : 'Front'
          }}</span>
        </RadioGroupOption>
      </RadioGroup>
      <span v-else />
      <Menu as="div" class="relative">
        <MenuButton class="button button-plain !px-2 !text-xs">
          <ArrowDownTrayIcon class="size-4" aria-hidden="true" />Picture of it
        </MenuButton>
        <MenuItems
          class="absolute right-0 z-10 mt-1 w-48 rounded-panel border border-edge bg-sheet p-1"
        >
          <MenuItem v-for="kind in ['png', 'svg'] as const" :key="kind" v-slot="{ active }">
            <button
              type="button"
              class="block w-full cursor-pointer rounded-data px-3 py-1.5 text-left"
              :class="active && 'bg-room'"
              @click="take(kind)"
            >
              {{ kind === 'png' ? 'PNG, 300 dots an inch' : 'SVG, in millimetres' }}
            </button>
          </MenuItem>
        </MenuItems>
      </Menu>
    </div>
  </div>
</template>
