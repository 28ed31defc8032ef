<script setup lang="ts">
import { ArrowDownIcon, ArrowUpIcon, Bars2Icon, XMarkIcon } from '@heroicons/vue/20/solid'
import type { Ground, PadUse } from '@/api/client'
import { useSession } from '@/lib/session'
import ChoiceList from '@/ui/ChoiceList.vue'
import OnOff from '@/ui/OnOff.vue'
import OwnedCorner from '@/ui/OwnedCorner.vue'
import { coatChoices, HANDS } from './ground'
import TheFigure from '@/ui/TheFigure.vue'
import PlainWords from '@/ui/PlainWords.vue'

/** A pad of the ground and how it is laid. */
defineProps<{
  pad: Ground['pads'][number]
  at: number
  count: number
  mostCoats: number
  layered: boolean
}>()
defineEmits<{ grab: []; change: [told: Partial<PadUse>]; move: [to: number]; remove: [] }>()
const session = useSession()
</script>

<template>
  <div class="panel relative flex items-center gap-2 p-2 max-sm:flex-wrap">
    <span
      draggable="true"
      class="cursor-grab text-soft"
      title="Drag to another place"
      @dragstart="$emit('grab')"
    >
      <Bars2Icon class="size-4" aria-hidden="true" />
    </span>
    <span
      class="h-10 w-12 shrink-0 rounded-[20px] border border-line"
      :class="{ 'border-dashed !border-edge': pad.swatch.provenance !== 'read' }"
      :style="{ background: pad.shades[session.view] }"
    />
    <span class="min-w-0 flex-1 max-sm:min-w-40">
      <b class="block truncate">{{ at + 1 }} {{ pad.swatch.label }}</b>
      <span class="block truncate text-xs"
        >{{ pad.swatch.range_name }}, {{ pad.swatch.medium }}
        <TheFigure tip :text="`as laid: L* ${pad.lightness}, ± ${pad.uncertainty}`"
      /></span>
    </span>
    <ChoiceList
      class="w-[122px] shrink-0"
      :model-value="pad.hand"
      :label="`Hand for ${pad.swatch.label}`"
      :options="[...HANDS]"
      @update:model-value="$emit('change', { hand: $event })"
    />
    <ChoiceList
      class="w-[92px] shrink-0"
      :model-value="pad.coats"
      :label="`Coats of ${pad.swatch.label}`"
      :options="coatChoices(mostCoats)"
      @update:model-value="$emit('change', { coats: $event })"
    />
    <span class="flex shrink-0">
      <button
        type="button"
        class="button button-plain !px-1"
        :disabled="at === 0"
        :aria-label="`${pad.swatch.label} one place up`"
        @click="$emit('move', at - 1)"
      >
        <ArrowUpIcon class="size-4" aria-hidden="true" />
      </button>
      <button
        type="button"
        class="button button-plain !px-1"
        :disabled="at === count - 1"
        :aria-label="`${pad.swatch.label} one place down`"
        @click="$emit('move', at + 1)"
      >
        <ArrowDownIcon class="size-4" aria-hidden="true" />
      </button>
      <button
        type="button"
        class="button button-plain !px-1"
        :aria-label="`Leave ${pad.swatch.label} out`"
        @click="$emit('remove')"
      >
        <XMarkIcon class="size-4" aria-hidden="true" />
      </button>
    </span>
    <OwnedCorner :swatch="pad.swatch" />
  </div>
  <OnOff
    v-if="layered"
    class="mt-1 pl-8 text-xs"
    :model-value="pad.same ?? false"
    @update:model-value="$emit('change', { same: $event })"
    >Through the same stencil as the pad before</OnOff
  >
  <p v-for="note in pad.notes" :key="note" class="pl-8 text-xs"><PlainWords :text="note" /></p>
</template>
