<script setup lang="ts">
import { PlusIcon } from '@heroicons/vue/20/solid'
import { computed, ref } from 'vue'
import CheckItem from '@/card/CheckItem.vue'
import { useCard } from '@/card/card'
import PairDialog from './PairDialog.vue'
import PairRow from './PairRow.vue'
import PaletteViews from './PaletteViews.vue'

defineEmits<{ add: [] }>()
const store = useCard()
const card = computed(() => store.card!)
const adding = ref(false)
const pieces = computed(() =>
  card.value.checks.filter((one) => ['stands', 'melts', 'finish'].includes(one.kind)),
)
</script>

<template>
  <div>
    <section v-if="card.built" aria-labelledby="lies" class="mb-6">
      <h2 id="lies" class="mb-1 text-base">What lies on what</h2>
      <p class="mb-3 text-soft">
        This card is built of pieces, so each is judged on what it really lies on.
        <RouterLink :to="`/cards/${card.id}/build`" class="underline">Move them in Build</RouterLink
        >.
      </p>
      <ul class="grid gap-2 xl:grid-cols-2">
        <li v-for="check in pieces" :key="check.id" class="panel p-3">
          <CheckItem :check="check" />
        </li>
      </ul>
    </section>
    <section v-else aria-labelledby="lies" class="mb-6">
      <div class="mb-2 flex flex-wrap items-center gap-3">
        <h2 id="lies" class="text-base">What lies on what</h2>
        <p v-if="card.guessed && card.pairs.length" class="text-xs text-soft">
          guessed from the roles; change anything and it is yours
        </p>
        <div class="flex-1" />
        <button
          v-if="!card.guessed"
          type="button"
          class="button button-plain"
          @click="store.change({ kind: 'guess_pairs' })"
        >
          Guess from the roles again
        </button>
        <button
          type="button"
          class="button"
          :disabled="!card.colours.length"
          @click="adding = true"
        >
          <PlusIcon class="size-4" aria-hidden="true" />Add a pair
        </button>
      </div>
      <p v-if="!card.colours.length" class="panel p-4">
        The palette is empty.
        <button type="button" class="cursor-pointer underline" @click="$emit('add')">
          Add a colour
        </button>
        first.
      </p>
      <p v-else-if="!card.pairs.length" class="panel p-4">
        Nothing is said to lie on anything. Give colours the roles light, dark, lead and ground, or
        add a pair: lettering on a strip, a picture on its ground, a mat around a panel.
      </p>
      <ul class="space-y-1.5">
        <PairRow v-for="pair in card.pairs" :key="pair.key" :pair="pair" />
      </ul>
    </section>
    <PaletteViews v-if="card.colours.length" />
    <PairDialog v-if="adding" @close="adding = false" />
  </div>
</template>
