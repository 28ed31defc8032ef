<script setup lang="ts">
import { PlusIcon } from '@heroicons/vue/20/solid'
import { computed, ref } from 'vue'
import { api, got, type Paper } from '@/api/client'
import { useShelved } from '@/lib/shelf'
import { plural } from '@/lib/words'
import ChoiceList from '@/ui/ChoiceList.vue'
import DeletedList from '@/ui/DeletedList.vue'
import DotsMenu from '@/ui/DotsMenu.vue'
import GroupChoice from '@/ui/GroupChoice.vue'
import SheetTile from './SheetTile.vue'
import Field from '@/ui/Field.vue'

/** A shelf of patterned papers, by collection. */
const { data, group, groups, there, menu } = useShelved(
  'papers',
  () => got(api.GET('/api/papers')),
  (one) => one.title,
)
const FEW = 6 // sheets that one oversees without looking for any
const typed = ref('')
const order = ref<'collection' | 'newest' | 'name'>('collection')
const ORDERS = [
  { value: 'collection' as const, words: 'by collection' },
  { value: 'newest' as const, words: 'added last' },
  { value: 'name' as const, words: 'by name' },
]
const shown = computed(() => {
  const words = typed.value.toLowerCase().split(/\s+/).filter(Boolean)
  const found = there.value.filter((one) => {
    const said = `${one.title} ${one.collection} ${one.colours.map((colour) => colour.hue_name).join(' ')}`
    return words.every((word) => said.toLowerCase().includes(word))
  })
  if (order.value === 'newest') return found.sort((a, b) => b.id - a.id)
  if (order.value === 'name') return found.sort((a, b) => a.title.localeCompare(b.title))
  return found
})
const collections = computed(() => {
  if (order.value !== 'collection') return [['', shown.value]] as const
  const found = new Map<string, Paper[]>()
  for (const paper of shown.value)
    found.set(paper.collection, [...(found.get(paper.collection) ?? []), paper])
  return [...found]
})
</script>

<template>
  <main class="overflow-y-auto p-6 small:p-3">
    <header class="head justify-between">
      <h1 class="text-xl">Papers</h1>
      <RouterLink to="/papers/add" class="button button-main">
        <PlusIcon class="size-4" aria-hidden="true" />Add a paper
      </RouterLink>
    </header>
    <p v-if="!data" class="text-soft">Fetching the papers …</p>
    <p v-else-if="groups.every((one) => !one.count)" class="panel max-w-xl p-6">
      The shelf is empty. Add a paper from a scan or a photo with a piece of white card beside it,
      and its colours are read.
    </p>
    <div v-if="(data?.length ?? 0) > FEW" class="mb-3 flex flex-wrap items-end gap-3" role="search">
      <Field label="Look for a paper" class="min-w-0 flex-1 basis-60">
        <input
          v-model="typed"
          class="input"
          type="search"
          placeholder="a title, a collection, a colour word"
        />
      </Field>
      <div class="w-44">
        <span class="label">In order</span>
        <ChoiceList v-model="order" label="In order" :options="ORDERS" />
      </div>
    </div>
    <GroupChoice
      v-if="groups.length > 1"
      v-model="group"
      class="mb-4"
      label="Which papers are shown"
      :groups="groups"
    />
    <DeletedList v-if="group === 'deleted'" kind="papers" />
    <p v-else-if="there.length && !shown.length">No paper here is like that.</p>
    <p v-else-if="data?.length && !there.length">No paper stands here.</p>
    <section v-for="[collection, papers] in collections" :key="collection" class="mb-6">
      <h2 v-if="collection" class="mb-2 text-sm text-soft">
        {{ collection }}, {{ plural(papers.length, 'sheet') }}
      </h2>
      <ul class="grid grid-cols-[repeat(auto-fill,minmax(270px,1fr))] gap-2">
        <li v-for="paper in papers" :key="paper.id" class="relative">
          <SheetTile :paper="paper" />
          <DotsMenu
            v-if="paper.own"
            class="absolute right-1 bottom-1"
            :label="`More of ${paper.title}`"
            :items="menu(paper)"
          />
        </li>
      </ul>
    </section>
  </main>
</template>
