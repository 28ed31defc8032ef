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

/** A range's colours, a page at a time, to be ticked one by one, by the set, by codes or all. */
const { range } = defineProps<{ range: WholeRange }>()
const emit = defineEmits<{
  own: [swatches: Swatch[], owned: boolean]
  ownAll: [count: number, family?: string]
  changed: []
}>()
const typed = defineModel<string>('typed', { required: true })
const page = defineModel<number>('page', { required: true })
const onlyOwned = useOnlyOwned('range')
const FEW = 8 // colours that one oversees without looking for any
const listing = ref(false)
type Many = { count: number; owned: number; family?: string }
const asking = ref<Many | null>(null) // many at once are asked about
const fresh = computed(() => (asking.value ? asking.value.count - asking.value.owned : 0))

function ownSet(name: string) {
  const one = range.sets.find((set) => set.name === name)
  if (one) asking.value = { count: one.count, owned: one.owned, family: one.name }
}
function take() {
  if (asking.value) emit('ownAll', asking.value.count, asking.value.family)
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
        @click="asking = { count: range.count, owned: range.owned }"
      >
        I own the whole range
      </button>
      <ChoiceList
        v-if="range.sets.length > 1"
        :model-value="''"
        label="I own the set"
        class="w-44"
        :options="[
          { value: '', words: 'I own the set …' },
          ...range.sets.map(({ name }) => ({ value: name, words: name })),
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
    <p v-else-if="!range.found && typed" class="panel max-w-xl p-4">
      No colour {{ onlyOwned ? 'that you own ' : '' }}of this range has “{{ typed }}” in its code,
      name or hue.
    </p>
    <p v-else-if="!range.found" class="panel max-w-xl p-4">
      Nothing of this range is in your drawer. Switch the filter off and tick what you own.
    </p>
    <ul class="grid grid-cols-[repeat(auto-fill,minmax(188px,1fr))] gap-1.5">
      <li
        v-for="swatch in range.colours"
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
    <nav v-if="range.more || page > 1" class="mt-4 flex items-center gap-3" aria-label="Pages">
      <button type="button" class="button" :disabled="page === 1" @click="page--">Previous</button>
      <span>
        {{ (range.before + 1).toLocaleString('en') }} to
        {{ (range.before + range.colours.length).toLocaleString('en') }} of
        {{ range.found.toLocaleString('en') }}
      </span>
      <button type="button" class="button" :disabled="!range.more" @click="page++">Next</button>
    </nav>
    <AppDialog v-if="asking" title="All of these are mine" @close="asking = null">
      <p class="mb-4">
        {{ plural(fresh, 'colour') }} more would be in your drawer<template v-if="asking.owned"
          >; {{ asking.owned }} are in it already and stay as they are</template
        >.
      </p>
      <button type="button" class="button button-main" :disabled="!fresh" @click="take">
        Put {{ plural(fresh, 'colour') }} into the drawer
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
