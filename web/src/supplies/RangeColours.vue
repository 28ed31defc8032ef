<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Swatch, WholeRange } from '@/api/client'
import { useOnlyOwned } from '@/lib/owned'
import { plural } from '@/lib/words'
import AppDialog from '@/ui/AppDialog.vue'
import ChoiceList from '@/ui/ChoiceList.vue'
import OnOff from '@/ui/OnOff.vue'
import OwnedCorner from '@/ui/OwnedCorner.vue'
import SwatchShape from '@/drawing/SwatchShape.vue'
import DrawerList from './DrawerList.vue'
import ColourMenu from '@/ui/ColourMenu.vue'

/** A range's colours, to be ticked one by one, by the set, by codes or all. */
const { range } = defineProps<{ range: WholeRange }>()
const emit = defineEmits<{ own: [swatches: Swatch[], owned: boolean]; changed: [] }>()
const onlyOwned = useOnlyOwned()
const FEW = 8 // colours that one oversees without looking for any
const listing = ref(false)
const asking = ref<Swatch[] | null>(null) // many at once are asked about
const fresh = computed(() => asking.value?.filter((one) => !one.owned) ?? [])
const typed = ref('')
const colours = computed(() => {
  const words = typed.value.toLowerCase().split(/\s+/).filter(Boolean)
  return range.colours.filter((one) => {
    const said = `${one.code} ${one.name} ${one.hue_name} ${one.family}`.toLowerCase()
    return (!onlyOwned.value || one.owned) && words.every((word) => said.includes(word))
  })
})
const sets = computed(() => [...new Set(range.colours.map((one) => one.family).filter(Boolean))])

function ownSet(family: string) {
  if (family) asking.value = range.colours.filter((one) => one.family === family)
}
function take() {
  emit('own', asking.value ?? [], true)
  asking.value = null
}
</script>

<template>
  <div>
    <div class="mb-4 flex flex-wrap items-center gap-x-5 gap-y-2">
      <p>{{ range.owned }} of {{ range.count }} in my drawer</p>
      <button
        v-if="range.owned < range.count"
        type="button"
        class="button"
        @click="asking = range.colours"
      >
        I own the whole range
      </button>
      <ChoiceList
        v-if="sets.length > 1"
        :model-value="''"
        label="I own the set"
        class="w-44"
        :options="[
          { value: '', words: 'I own the set …' },
          ...sets.map((value) => ({ value, words: value })),
        ]"
        @update:model-value="ownSet"
      />
      <button type="button" class="button" @click="listing = true">Type or paste codes</button>
      <OnOff v-model="onlyOwned">Only what I own</OnOff>
      <input
        v-if="range.count > FEW"
        v-model="typed"
        class="input !w-56"
        type="search"
        aria-label="Look in this range"
        placeholder="a code, name or colour word"
      />
    </div>
    <p v-if="!range.count" class="panel max-w-xl p-4">
      This range has no colours yet. Add them under Edit.
    </p>
    <p v-else-if="!colours.length && typed" class="panel max-w-xl p-4">
      No colour {{ onlyOwned ? 'that you own ' : '' }}of this range has “{{ typed }}” in its code,
      name or hue.
    </p>
    <p v-else-if="!colours.length" class="panel max-w-xl p-4">
      Nothing of this range is in your drawer. Switch the filter off and tick what you own.
    </p>
    <ul class="grid grid-cols-[repeat(auto-fill,minmax(188px,1fr))] gap-1.5">
      <li
        v-for="swatch in colours"
        :key="swatch.id"
        class="relative flex items-center gap-1 border border-line bg-sheet pr-2"
      >
        <RouterLink
          :to="`/match/${swatch.id}`"
          class="flex min-w-0 flex-1 items-center gap-2 p-1.5"
        >
          <SwatchShape :swatch="swatch" />
          <span class="min-w-0 flex-1 text-xs">
            <b class="block text-sm break-words">{{ swatch.label }}</b>
            <span v-if="swatch.code && swatch.name" class="block">{{ swatch.name }}</span>
            <span v-if="swatch.discontinued" class="block text-soft">discontinued</span>
            <span v-if="swatch.read" class="block text-soft">my own reading</span>
          </span>
        </RouterLink>
        <input
          type="checkbox"
          class="mr-1 size-4 shrink-0 accent-ink"
          :checked="swatch.owned"
          :aria-label="`${swatch.label} is in my drawer`"
          @change="$emit('own', [swatch], ($event.target as HTMLInputElement).checked)"
        />
        <ColourMenu compact :swatch="swatch" @changed="$emit('changed')" />
        <OwnedCorner :swatch="swatch" />
      </li>
    </ul>
    <AppDialog v-if="asking" title="All of these are mine" @close="asking = null">
      <p class="mb-4">
        {{ plural(fresh.length, 'colour') }} more would be in your drawer<template
          v-if="fresh.length < asking.length"
          >; {{ asking.length - fresh.length }} are in it already and stay as they are</template
        >.
      </p>
      <button type="button" class="button button-main" :disabled="!fresh.length" @click="take">
        Put {{ plural(fresh.length, 'colour') }} into the drawer
      </button>
    </AppDialog>
    <DrawerList
      v-if="listing"
      :range="range.id"
      @close="listing = false"
      @stored="$emit('changed')"
    />
  </div>
</template>
