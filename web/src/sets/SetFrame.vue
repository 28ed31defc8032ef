<script setup lang="ts">
import { computed, provide, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ApiError, got, type CardSet } from '@/api/client'
import { useNotices } from '@/lib/notices'
import { plural } from '@/lib/words'
import PicturesMade from '@/cards/PicturesMade.vue'
import NothingHere from '@/ui/NothingHere.vue'
import TabLinks from '@/ui/TabLinks.vue'
import ViewSwitch from '@/ui/ViewSwitch.vue'
import CardsOfSet from './CardsOfSet.vue'
import { SET, changed } from './set'

/** A set of cards: together, what is cut for all of them, the work in batches, the record. */
const route = useRoute()
const router = useRouter()
const notices = useNotices()
const id = computed(() => Number(route.params.id))
const set = ref<CardSet | null>(null)
const missing = ref(false)
const choosing = ref(false)

async function load(wanted: number) {
  try {
    const found = await got(api.GET('/api/sets/{id}', { params: { path: { id: wanted } } }))
    if (wanted === id.value) set.value = found
  } catch (error) {
    missing.value = error instanceof ApiError && error.status === 404
    if (!missing.value) notices.fail(error)
  }
}
watch(
  id,
  (now) => {
    set.value = null
    missing.value = false
    if (now) void load(now)
  },
  { immediate: true },
)
watch(
  () => set.value?.name,
  (name) => name && (document.title = `${name} · Jindle`),
)
async function doing(ask: (id: number, version: number) => Promise<CardSet>) {
  try {
    set.value = await ask(id.value, set.value!.version)
    return true
  } catch (error) {
    notices.fail(error)
    if (error instanceof ApiError && error.status === 409) await load(id.value)
    return false
  }
}
provide(SET, { set, doing })

async function rename(event: Event) {
  const field = event.target as HTMLInputElement
  const name = field.value.trim()
  const named = name && (await doing((pk, version) => changed(pk, { version, name })))
  if (!named) field.value = set.value!.name
}
async function part() {
  try {
    await got(api.DELETE('/api/sets/{id}', { params: { path: { id: id.value } } }))
    notices.show('The set is parted; its cards stay.')
    await router.push('/cards/sets')
  } catch (error) {
    notices.fail(error)
  }
}
const tabs = computed(() =>
  [
    { part: '', words: 'Together' },
    { part: '/cutting', words: 'Cutting' },
    { part: '/work', words: 'Work' },
    { part: '/record', words: 'Record' },
  ].map(({ part, words }) => {
    const to = `/cards/sets/${id.value}${part}`
    return { to, words, here: route.path === to }
  }),
)
</script>

<template>
  <NothingHere v-if="missing" />
  <main v-else-if="!set" class="p-6 text-soft">Fetching the set …</main>
  <main v-else class="overflow-y-auto p-6 small:p-3">
    <RouterLink to="/cards/sets" class="text-xs underline">Sets</RouterLink>
    <header class="head">
      <h1 class="basis-full text-xl">
        <label class="sr-only" for="set-name">Name of the set</label>
        <input
          id="set-name"
          class="w-full truncate rounded-data border border-transparent bg-transparent hover:border-line"
          :value="set.name"
          maxlength="80"
          @change="rename"
        />
      </h1>
      <TabLinks :tabs="tabs" label="Parts of the set" class="flex-1" />
      <ViewSwitch />
      <button type="button" class="button" @click="choosing = true">
        {{ plural(set.count, 'card') }}: change …
      </button>
      <a class="button" :href="`/api/sets/${id}/sheet`">Print</a>
      <button type="button" class="button button-plain" @click="part">Part the set</button>
    </header>
    <p v-if="set.broken.length" role="alert" class="mb-4 border-l-2 border-ink pl-3">
      <b>Cannot be shown:</b> {{ set.broken.join(', ') }}. Open it to go back to an earlier state,
      or take it out of the set.
    </p>
    <p v-if="!set.cards.length" class="panel max-w-xl p-4">
      Its cards were deleted. Put others into it, or part it.
    </p>
    <template v-else>
      <RouterView />
      <PicturesMade
        :cards="set.cards.map((one) => one.id)"
        :version="set.cards.map((one) => one.version).join()"
      />
    </template>
    <CardsOfSet
      v-if="choosing"
      title="Cards of this set"
      act="Keep"
      :there="set.cards.map((one) => ({ card: one.id, count: one.count }))"
      :make="(cards) => doing((pk, version) => changed(pk, { version, cards }))"
      @close="choosing = false"
    />
  </main>
</template>
