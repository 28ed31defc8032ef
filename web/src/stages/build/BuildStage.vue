<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useStage } from '@/card/stage'
import TabLinks from '@/ui/TabLinks.vue'
import CuttingView from './CuttingView.vue'
import InsideView from './InsideView.vue'
import InsteadView from './InsteadView.vue'
import PiecesView from './PiecesView.vue'
import SideView from './SideView.vue'

/** Every size and every piece on paper before anything is cut. */
const route = useRoute()
const build = useStage('build')
const view = computed(() => String(route.query.view ?? 'pieces'))
const tabs = computed(() =>
  [
    { view: 'pieces', words: 'Pieces' },
    { view: 'inside', words: 'Inside' },
    { view: 'instead', words: 'Something else' },
    { view: 'side', words: 'From the side' },
    { view: 'cutting', words: 'Cutting' },
  ].map((one) => ({
    to: { query: { view: one.view } },
    words: one.words,
    here: view.value === one.view,
  })),
)
const part = computed(
  () =>
    ({ side: SideView, cutting: CuttingView, instead: InsteadView, inside: InsideView })[
      view.value as 'side'
    ] ?? PiecesView,
)
</script>

<template>
  <div v-if="!build" class="text-soft">Fetching the build …</div>
  <div v-else>
    <TabLinks class="mb-3" :tabs="tabs" label="Parts of the build" />
    <component :is="part" :build="build" />
  </div>
</template>
