<script setup lang="ts">
import { PlusIcon } from '@heroicons/vue/20/solid'
import { refDebounced } from '@vueuse/core'
import { computed, defineAsyncComponent, onBeforeUnmount, ref, watch } from 'vue'
import { api, got, type CardSummary, type DrawingToMake } from '@/api/client'
import type { paths } from '@/api/schema'
import { stale } from '@/lib/fetched'
import { useNotices } from '@/lib/notices'
import { useSession } from '@/lib/session'
import { useShelf } from '@/lib/shelf'
import ChoiceList from '@/ui/ChoiceList.vue'
import GroupChoice from '@/ui/GroupChoice.vue'
import CardTile from './CardTile.vue'
import Field from '@/ui/Field.vue'

const CopyCard = defineAsyncComponent(() => import('@/card/CopyCard.vue'))
const DeletedList = defineAsyncComponent(() => import('@/ui/DeletedList.vue'))
const FirstDoors = defineAsyncComponent(() => import('./FirstDoors.vue'))
const NewCard = defineAsyncComponent(() => import('./NewCard.vue'))

type Asked = NonNullable<paths['/api/cards']['get']['parameters']['query']>
type Answer = Awaited<ReturnType<typeof load>>
const session = useSession()
const notices = useNotices()
const cards = ref<CardSummary[] | null>(null)
const sizes = ref<Answer['sizes']>([])
const broken = ref<Answer['broken']>([])
const making = ref(false)

const FEW = 6 // cards that one oversees without looking for any
const typed = ref('')
const words = refDebounced(typed, 200)
type Order = NonNullable<Asked['order']>
const order = ref<Order>('newest')
const ORDERS: { value: Order; words: string }[] = [
  { value: 'newest', words: 'changed last' },
  { value: 'name', words: 'by name' },
  { value: 'mend', words: 'to mend first' },
]
type Group = NonNullable<Asked['group']> | 'deleted'
const group = ref<Group>('all')
const counts = ref<Answer['groups'] | null>(null)
const every = computed(() => counts.value && counts.value.all + counts.value.put_by)
const groups = computed(() => {
  const told = counts.value
  if (!told) return []
  const found: { value: Group; words: string; count: number }[] = [
    { value: 'all', words: 'All', count: told.all },
    { value: 'idea', words: 'Ideas', count: told.idea },
    { value: 'making', words: 'Being made', count: told.making },
    { value: 'made', words: 'Made', count: told.made },
    { value: 'set', words: 'In sets', count: told.set },
    { value: 'put-by', words: 'Put by', count: told.put_by },
    { value: 'deleted', words: 'Deleted', count: told.deleted },
  ]
  return found.filter((one) => one.count || one.value === 'all' || one.value === group.value)
})
const PLAIN: Group[] = ['all', 'idea'] // between which there is nothing to choose
const looking = computed(
  () => (every.value ?? 0) > FEW || groups.value.some((one) => !PLAIN.includes(one.value)),
)
const copied = ref<CardSummary | null>(null)
const moves = useShelf('cards')
const drawings = ref(new Map<number, DrawingToMake>())
const page = ref(1)
const more = ref(false)
const AT_ONCE = 6 // that are looked at anew in one answer, so that the first are soon there

const load = () => {
  const asked = { words: words.value, order: order.value }
  const which = group.value === 'deleted' ? 'all' : group.value
  const query = { page: page.value, group: which, ...asked }
  return got(api.GET('/api/cards', { params: { query } }))
}
let showing = 0
async function show() {
  const number = ++showing
  try {
    const answer = await load()
    if (number !== showing) return
    cards.value = answer.cards
    counts.value = answer.groups
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
watch(stale, show)
watch([words, order, group], () => turnTo(1))
</script>

<template>
  <main class="overflow-y-auto p-6 small:p-3">
    <header class="head justify-between">
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
    <div v-if="looking" class="mb-5 space-y-3">
      <div v-if="(every ?? 0) > FEW" class="flex flex-wrap items-end gap-3" role="search">
        <Field label="Look for a card" class="min-w-0 flex-1 basis-60">
          <input v-model="typed" class="input" type="search" placeholder="a part of its name" />
        </Field>
        <div class="w-44">
          <span class="label">In order</span>
          <ChoiceList v-model="order" label="In order" :options="ORDERS" />
        </div>
      </div>
      <GroupChoice v-model="group" label="Which cards are shown" :groups="groups" />
    </div>
    <DeletedList v-if="group === 'deleted'" kind="cards" />
    <FirstDoors v-else-if="cards && every === 0 && !broken.length" @start="making = true" />
    <p v-else-if="cards && words && !cards.length" class="mb-4">
      None of these cards has “{{ words }}” in its name.
    </p>
    <p v-else-if="cards && every && !cards.length && !broken.length" class="mb-4">
      No card stands here.
    </p>
    <ul
      v-if="cards && group !== 'deleted' && (cards.length || broken.length)"
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
      <li v-for="card in cards" :key="card.id">
        <CardTile
          :card="card"
          :drawing="drawings.get(card.id)"
          @kept="kept(card, $event)"
          @copy="copied = card"
          @put-by="moves.putBy(card, !card.put_by)"
          @remove="moves.remove(card)"
        />
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
    <CopyCard v-if="copied" :id="copied.id" :name="copied.name" @close="copied = null" />
    <NewCard v-if="making" :sizes="sizes" @close="making = false" />
  </main>
</template>
