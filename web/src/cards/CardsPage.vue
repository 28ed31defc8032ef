<script setup lang="ts">
import { PlusIcon } from '@heroicons/vue/20/solid'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { api, got, type CardSummary, type DrawingToMake } from '@/api/client'
import { useNotices } from '@/lib/notices'
import { useSession } from '@/lib/session'
import { plural } from '@/lib/words'
import ChoiceList from '@/ui/ChoiceList.vue'
import CardLook from './CardLook.vue'
import FirstDoors from './FirstDoors.vue'
import NewCard from './NewCard.vue'

type Answer = Awaited<ReturnType<typeof load>>
const session = useSession()
const notices = useNotices()
const cards = ref<CardSummary[] | null>(null)
const sizes = ref<Answer['sizes']>([])
const broken = ref<Answer['broken']>([])
const making = ref(false)

const FEW = 6 // cards that one oversees without looking for any
const typed = ref('')
const sort = ref<'newest' | 'name' | 'mend'>('newest')
const SORTS = [
  { value: 'newest' as const, words: 'changed last' },
  { value: 'name' as const, words: 'by name' },
  { value: 'mend' as const, words: 'to mend first' },
]
const shown = computed(() => {
  const words = typed.value.toLowerCase().split(/\s+/).filter(Boolean)
  const found = (cards.value ?? []).filter((one) =>
    words.every((word) => one.name.toLowerCase().includes(word)),
  )
  if (sort.value === 'name') return found.sort((a, b) => a.name.localeCompare(b.name))
  if (sort.value === 'mend')
    return found.sort((a, b) => b.failing - a.failing || b.doubtful - a.doubtful)
  return found
})
const drawings = ref(new Map<number, DrawingToMake>())
const page = ref(1)
const more = ref(false)
const AT_ONCE = 6 // that are looked at anew in one answer, so that the first are soon there

const load = () => got(api.GET('/api/cards', { params: { query: { page: page.value } } }))
let showing = 0
async function show() {
  const number = ++showing
  try {
    const answer = await load()
    if (number !== showing) return
    cards.value = answer.cards
    broken.value = answer.broken
    sizes.value = answer.sizes
    more.value = answer.more
    await lookAgain(number)
  } catch (error) {
    notices.fail(error)
  }
}
/** What is not known as it is now, or has no picture yet, a few at a time. */
async function lookAgain(number: number) {
  const wanting = cards.value!.filter((one) => !one.picture || !one.current).map((one) => one.id)
  for (let start = 0; start < wanting.length; start += AT_ONCE) {
    const ids = wanting.slice(start, start + AT_ONCE)
    const answer = await got(api.GET('/api/cards/glances', { params: { query: { ids } } }))
    if (number !== showing) return
    const fresh = new Map(answer.cards.map((one) => [one.id, one]))
    cards.value = cards.value!.map((one) => fresh.get(one.id) ?? one)
    broken.value = [...broken.value, ...answer.broken]
    cards.value = cards.value.filter((one) => !broken.value.some(({ id }) => id === one.id))
    for (const one of answer.cards) if (one.drawing) drawings.value.set(one.id, one.drawing)
  }
}
function kept(card: CardSummary, address: string) {
  card.picture = address
  drawings.value.delete(card.id)
}
function turnTo(other: number) {
  page.value = other
  void show()
}
onBeforeUnmount(() => (showing += 1))
watch(() => session.person?.units, show, { immediate: true })

function standing(card: CardSummary): string {
  if (!card.current) return 'looking at its checks …'
  if (!card.checks) return 'nothing to check yet'
  if (card.failing) return `${plural(card.failing, 'check')} failing`
  if (card.doubtful) return `${plural(card.doubtful, 'check')} to look at again`
  return 'all checks hold'
}
</script>

<template>
  <main class="overflow-y-auto p-6">
    <header class="mb-6 flex items-center justify-between">
      <h1 class="text-xl">Cards</h1>
      <span class="flex gap-2">
        <RouterLink to="/recipes" class="button">Bring in a recipe</RouterLink>
        <RouterLink to="/cards/sets" class="button">Sets</RouterLink>
        <RouterLink to="/cards/ways" class="button">Ways into a palette</RouterLink>
        <button type="button" class="button button-main" :disabled="!cards" @click="making = true">
          <PlusIcon class="size-4" aria-hidden="true" />New card
        </button>
      </span>
    </header>
    <p v-if="!cards" class="text-soft">Fetching your cards …</p>
    <FirstDoors v-else-if="!cards.length && !broken.length" @start="making = true" />
    <div v-else-if="cards.length > FEW" class="mb-4 flex flex-wrap items-end gap-3" role="search">
      <label class="min-w-0 flex-1 basis-60"
        ><span class="label">Look for a card</span
        ><input v-model="typed" class="input" type="search" placeholder="a part of its name"
      /></label>
      <div class="w-44">
        <span class="label">In order</span>
        <ChoiceList v-model="sort" label="In order" :options="SORTS" />
      </div>
    </div>
    <p v-if="typed && !shown.length" class="mb-4">
      None of these cards has “{{ typed }}” in its name.
    </p>
    <ul
      v-if="cards && (cards.length || broken.length)"
      class="grid grid-cols-[repeat(auto-fill,minmax(270px,1fr))] gap-5"
    >
      <li v-for="card in broken" :key="card.id">
        <RouterLink :to="`/cards/${card.id}`" class="panel block h-full p-4 hover:border-ink">
          <h2 class="text-base">{{ card.name }}</h2>
          <p class="mt-1 text-xs break-words">
            <b>Cannot be shown:</b> {{ card.reason }}. Open it to go back to an earlier state.
          </p>
        </RouterLink>
      </li>
      <li v-for="card in shown" :key="card.id">
        <RouterLink
          :to="`/cards/${card.id}/palette`"
          class="panel block overflow-hidden hover:border-ink"
        >
          <div class="flex h-56 items-center justify-center bg-wall p-5">
            <CardLook
              :key="drawings.get(card.id)?.drawn ?? ''"
              :card="card"
              :drawing="drawings.get(card.id)"
              @kept="kept(card, $event)"
            />
          </div>
          <div class="flex h-7">
            <span
              v-for="colour in card.strip"
              :key="colour.key"
              class="flex-1"
              :style="{ background: colour.shades[session.view] }"
              :title="colour.name"
            />
            <span v-if="!card.strip.length" class="px-4 pt-2 text-xs text-soft"
              >no palette yet</span
            >
          </div>
          <div class="p-4">
            <h2 class="text-base">{{ card.name }}</h2>
            <p v-if="card.size" class="mt-1 text-xs text-soft">
              {{ card.size.words }}, {{ card.size.orientation }}
            </p>
            <p class="mt-1 text-xs" :class="{ 'font-semibold': card.failing }">
              {{ standing(card) }}
            </p>
          </div>
        </RouterLink>
      </li>
    </ul>
    <nav v-if="page > 1 || more" aria-label="Pages of cards" class="mt-6 flex items-center gap-3">
      <button type="button" class="button" :disabled="page === 1" @click="turnTo(page - 1)">
        Newer cards
      </button>
      <button type="button" class="button" :disabled="!more" @click="turnTo(page + 1)">
        Older cards
      </button>
    </nav>
    <NewCard v-if="making" :sizes="sizes" @close="making = false" />
  </main>
</template>
