<script setup lang="ts">
import { ref } from 'vue'
import type { Ground, Join, PadUse } from '@/api/client'
import { reachValues, seamValues } from '@/api/schema'
import ChoiceList from '@/ui/ChoiceList.vue'
import StatusMark from '@/ui/StatusMark.vue'
import { choices, inWords } from '@/lib/words'
import TheFigure from '@/ui/TheFigure.vue'
import JoinStrip from './JoinStrip.vue'
import WaysOut from './WaysOut.vue'

/** How a pad meets the next, and what can be done about it. */
defineProps<{
  join: Join
  pad: Ground['pads'][number]
  next: string
  at: number
}>()
defineEmits<{ change: [told: Partial<PadUse>] }>()
const open = ref(false)
const STANDS = {
  clean: 'holds',
  softens: 'look-again',
  'meets-in-brown': 'look-again',
  muddy: 'fails',
} as const
const REACHES = reachValues.map((value) => ({ value, words: `carried in ${inWords(value)}` }))
const SEAMS = choices(seamValues)
</script>

<template>
  <div class="my-1 ml-6 border-l border-line pl-4">
    <div class="flex items-center gap-3 max-sm:flex-wrap">
      <JoinStrip :join="join" class="h-8 w-[190px] shrink-0" />
      <StatusMark :status="join.meeting && STANDS[join.meeting]" class="!mt-0" />
      <p class="min-w-0 flex-1 max-sm:min-w-40">
        <b v-if="join.meeting">{{
          join.rough ? `probably ${inWords(join.meeting)}` : inWords(join.meeting)
        }}</b>
        {{ join.words }} <TheFigure tip :text="`± ${join.uncertainty}`" />
      </p>
      <button
        type="button"
        class="button button-plain shrink-0 text-xs"
        :aria-expanded="open"
        @click="open = !open"
      >
        {{ open ? 'Close' : !join.meeting || join.meeting === 'clean' ? 'Change' : 'Ways out'
        }}<span class="sr-only">, the join of {{ pad.swatch.label }} and {{ next }}</span>
      </button>
    </div>
    <div v-if="open" class="mt-1 mb-2">
      <div v-if="join.brushed" class="mb-2 flex flex-wrap gap-2">
        <ChoiceList
          class="w-[180px]"
          :model-value="pad.seam"
          label="How they are joined"
          :options="SEAMS"
          @update:model-value="$emit('change', { seam: $event })"
        />
        <ChoiceList
          v-if="pad.seam !== 'white-gap'"
          class="w-[180px]"
          :model-value="pad.reach"
          label="How far into one another"
          :options="REACHES"
          @update:model-value="$emit('change', { reach: $event })"
        />
      </div>
      <WaysOut v-if="join.meeting !== 'clean'" :at="at" />
    </div>
  </div>
</template>
