<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, got } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import AppDialog from '@/ui/AppDialog.vue'
import type { HowMany } from './set'

/** Which cards are made together, how many of each, and which is first: the others take its build. */
const { there, make } = defineProps<{
  title: string
  act: string
  there: HowMany[]
  make: (cards: HowMany[]) => Promise<boolean>
}>()
const emit = defineEmits<{ close: [] }>()
const chosen = ref<HowMany[]>(there.map((one) => ({ ...one })))
const sending = ref(false)
const { data } = useFetched([], () =>
  got(api.GET('/api/cards', { params: { query: { page: 1 } } })),
)
const at = (card: number) => chosen.value.findIndex((one) => one.card === card)
function turn(card: number) {
  const place = at(card)
  if (place < 0) chosen.value.push({ card, count: 1 })
  else chosen.value.splice(place, 1)
}
function lead(card: number) {
  const [one] = chosen.value.splice(at(card), 1)
  chosen.value.unshift(one!)
}
const cards = computed(() => [
  ...chosen.value.flatMap((one) => data.value?.cards.filter(({ id }) => id === one.card) ?? []),
  ...(data.value?.cards.filter(({ id }) => at(id) < 0) ?? []),
])
async function keep() {
  sending.value = true
  if (await make(chosen.value)) emit('close')
  sending.value = false
}
</script>

<template>
  <AppDialog :title="title" @close="$emit('close')">
    <slot />
    <p v-if="!data" class="text-soft">Fetching your cards …</p>
    <form v-else @submit.prevent="keep">
      <ul class="mb-4 max-h-[50vh] space-y-1 overflow-y-auto">
        <li v-for="card in cards" :key="card.id" class="flex items-center gap-3">
          <label class="flex min-w-0 flex-1 items-center gap-2">
            <input type="checkbox" :checked="at(card.id) >= 0" @change="turn(card.id)" />
            <span class="truncate">{{ card.name }}</span>
          </label>
          <template v-if="at(card.id) >= 0">
            <span v-if="at(card.id) === 0" class="text-xs text-soft">the first</span>
            <button v-else type="button" class="button !min-h-7 !px-2" @click="lead(card.id)">
              Make it first<span class="sr-only">: {{ card.name }}</span>
            </button>
            <label class="flex items-center gap-1 text-xs"
              ><span class="sr-only">How many of {{ card.name }}</span
              ><input
                v-model.number="chosen[at(card.id)]!.count"
                type="number"
                min="1"
                class="input !w-16"
              />
              of it</label
            >
          </template>
        </li>
      </ul>
      <button type="submit" class="button button-main" :disabled="!chosen.length || sending">
        {{ act }}
      </button>
    </form>
  </AppDialog>
</template>
