<script setup lang="ts">
import { defineAsyncComponent, ref } from 'vue'
import type { Hand, Swatch } from '@/api/client'
import { useSession } from '@/lib/session'
import ChoiceList from './ChoiceList.vue'
import { HANDS, isLaid } from '@/lib/laid'
import { useNotices } from '@/lib/notices'
import type { Picked } from './FindColour.vue'

const FindDialog = defineAsyncComponent(() => import('./FindDialog.vue'))

/** Layers, hand and card of a swatch, and what lies under it. */
defineProps<{ papers: { value: number; words: string; shade?: string }[] }>()
const session = useSession()
const layers = defineModel<number>('layers', { required: true })
const hand = defineModel<Hand>('hand', { required: true })
const paper = defineModel<number>('paper', { required: true })
const below = defineModel<Swatch | null>('below', { required: true })
const finding = ref(false)
const notices = useNotices()
function lay(picked: Picked) {
  finding.value = false
  if (!('swatch' in picked)) return
  if (isLaid(picked.swatch.medium)) below.value = picked.swatch
  else notices.show(`${picked.swatch.label} is not laid on card: choose it as what you lay on.`)
}
</script>

<template>
  <div class="grid grid-cols-2 gap-3">
    <div>
      <span class="label">Layers</span>
      <ChoiceList
        v-model="layers"
        label="Layers"
        :options="
          (session.limits?.reading_layers ?? []).map((value) => ({ value, words: String(value) }))
        "
      />
    </div>
    <div>
      <span class="label">Hand</span>
      <ChoiceList v-model="hand" label="Hand" :options="HANDS" />
    </div>
    <div class="col-span-2">
      <span class="label">On</span>
      <ChoiceList v-model="paper" label="On" :options="papers" />
    </div>
    <div class="col-span-2 flex items-center gap-2">
      <span
        v-if="below"
        class="size-6 shrink-0 rounded-data"
        :style="{ background: below.shades.colour }"
      />
      <span class="min-w-0 flex-1 truncate text-xs">{{
        below ? `over ${below.label}, dry` : 'over nothing else'
      }}</span>
      <button type="button" class="button !text-xs" @click="finding = true">
        {{ below ? 'Over another …' : 'Over a colour …' }}
      </button>
      <button v-if="below" type="button" class="button button-plain !text-xs" @click="below = null">
        Over nothing
      </button>
    </div>
    <FindDialog
      v-if="finding"
      act="say that it lies under it"
      @close="finding = false"
      @pick="lay"
    />
  </div>
</template>
