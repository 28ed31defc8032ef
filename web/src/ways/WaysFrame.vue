<script setup lang="ts">
import { computed, provide, ref } from 'vue'
import { useRoute } from 'vue-router'
import StartCard from '@/cards/StartCard.vue'
import { useOnlyOwned } from '@/lib/owned'
import ChoiceList from '@/ui/ChoiceList.vue'
import OnOff from '@/ui/OnOff.vue'
import TabLinks from '@/ui/TabLinks.vue'
import KeepCombination from './KeepCombination.vue'
import { COLUMNS, startCard, type StartColour } from './starting'
import { WAYS, type Column } from './ways'
import WordTip from '@/words/WordTip.vue'

/** Ways into a palette: what they share is the medium to land in, and what is done with a palette. */
const route = useRoute()
const column = ref<Column>('marker')
const onlyOwned = useOnlyOwned('ways')
const starting = ref<{ name: string; colours: StartColour[] } | null>(null)
const keeping = ref<{ name: string; colours: StartColour[] } | null>(null)
const tabs = computed(() =>
  [
    { to: '/cards/ways/rule', words: 'From a rule' },
    { to: '/cards/ways/seasons', words: 'Seasons and places' },
    { to: '/cards/ways/drawer', words: 'From what there is' },
    { to: '/cards/ways/kept', words: 'Kept combinations' },
    { to: '/papers', words: 'From a paper' },
  ].map((tab) => ({ ...tab, here: route.path === tab.to })),
)
provide(WAYS, {
  column,
  owned: onlyOwned,
  start: (name, colours) => (starting.value = { name, colours }),
  keep: (name, colours) => (keeping.value = { name, colours }),
})
</script>

<template>
  <main class="overflow-y-auto p-6 small:p-3">
    <RouterLink to="/cards" class="text-xs underline">Cards</RouterLink>
    <header class="head">
      <h1 class="text-xl">Ways into a palette</h1>
      <TabLinks :tabs="tabs" label="Ways into a palette" />
    </header>
    <div class="mb-4 flex flex-wrap items-end gap-6">
      <div class="w-52">
        <span class="label">Find it in<WordTip word="find it in" /></span>
        <ChoiceList v-model="column" label="Find it in" :options="[...COLUMNS]" />
      </div>
      <OnOff v-model="onlyOwned" class="pb-2">Only what I own</OnOff>
    </div>
    <RouterView />
    <StartCard
      v-if="starting"
      title="Start a card with this palette"
      :suggested="starting.name"
      :start="(card) => startCard(card, starting!.colours)"
      @close="starting = null"
    />
    <KeepCombination
      v-if="keeping"
      :suggested="keeping.name"
      :colours="keeping.colours"
      @close="keeping = null"
    />
  </main>
</template>
