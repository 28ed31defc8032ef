<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useCard } from '@/card/card'
import { useStage } from '@/card/stage'
import TabLinks from '@/ui/TabLinks.vue'
import EffectsView from './EffectsView.vue'
import InkedView from './InkedView.vue'
import LayingView from './LayingView.vue'
import PadsView from './PadsView.vue'
import PanelView from './PanelView.vue'
import StandingView from './StandingView.vue'
import { standing } from './ground'

/** The ground before ink touches paper: pads, joins, how it stands, what comes over it. */
const route = useRoute()
const store = useCard()
const ground = useStage('background')
const view = computed(() => String(route.query.view ?? 'pads'))
const open = computed(
  () =>
    standing(store.card!.checks).filter((one) => one.status !== 'holds' && one.waived === null)
      .length,
)
const tabs = computed(() =>
  [
    { view: 'pads', words: 'Pads and joins' },
    {
      view: 'standing',
      words: open.value ? `How it stands, ${open.value} to look at` : 'How it stands',
    },
    { view: 'effects', words: 'Over it' },
    { view: 'laying', words: 'How to lay it' },
    { view: 'inked', words: 'Card inked by myself' },
  ].map((one) => ({
    to: { query: { view: one.view } },
    words: one.words,
    here: view.value === one.view,
  })),
)
const VIEWS = { standing: StandingView, effects: EffectsView, laying: LayingView, inked: InkedView }
const part = computed(() => VIEWS[view.value as keyof typeof VIEWS] ?? PadsView)
</script>

<template>
  <div v-if="!ground" class="text-soft">Fetching the ground …</div>
  <div v-else>
    <TabLinks class="mb-3" :tabs="tabs" label="Parts of the background" />
    <div class="grid gap-5 xl:grid-cols-[300px_minmax(0,1fr)]">
      <PanelView :ground="ground" />
      <component :is="part" :ground="ground" />
    </div>
  </div>
</template>
