<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, got, type Range } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useNotices } from '@/lib/notices'
import { useOnlyOwned } from '@/lib/owned'
import { plural } from '@/lib/words'
import DrawerList from './DrawerList.vue'

/** The first things that somebody owns: by codes, by a file, by whole ranges; then palettes out of them. */
const router = useRouter()
const notices = useNotices()
const listing = ref(false)
const asking = ref(0)
const { data, refresh } = useFetched([], () => got(api.GET('/api/ranges')))
const ranges = computed(() => (data.value ?? []).filter((one) => one.count && !one.away))
const owned = computed(() => ranges.value.reduce((sum, one) => sum + one.owned, 0))

async function take(range: Range, all: boolean) {
  try {
    await got(api.POST('/api/drawer', { body: { range: range.id, owned: all } }))
    asking.value = 0
    await refresh()
  } catch (error) {
    notices.fail(error)
  }
}
const ownedInWays = useOnlyOwned('ways')
async function go() {
  ownedInWays.value = true
  await router.push('/cards/ways/drawer')
}
</script>

<template>
  <main class="overflow-y-auto p-6 small:p-3">
    <RouterLink to="/cards" class="text-xs underline">Cards</RouterLink>
    <h1 class="mt-1 mb-4 text-xl">What I own</h1>
    <div class="mb-5 flex flex-wrap gap-2">
      <button type="button" class="button" @click="listing = true">Type or paste codes</button>
      <RouterLink to="/supplies/import" class="button">Bring in a range from a file</RouterLink>
      <RouterLink to="/supplies/photograph" class="button">Swatches from a photo</RouterLink>
    </div>
    <p class="mb-4 flex flex-wrap items-center gap-3">
      <span
        ><b>{{ plural(owned, 'colour') }}</b> in your drawer.</span
      >
      <button type="button" class="button button-main" :disabled="!owned" @click="go">
        Find palettes in them
      </button>
    </p>
    <h2 class="mb-1 text-base">Whole ranges</h2>
    <p class="mb-2 text-xs text-soft">
      Ranges that come with Jindle are made-up examples; bring in your own from a file.
    </p>
    <ul class="panel max-w-3xl divide-y divide-line">
      <li
        v-for="range in ranges"
        :key="range.id"
        class="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-2"
      >
        <span class="min-w-0 flex-1 basis-48">
          <b class="block truncate">{{ range.name }}</b>
          <span class="block truncate text-xs text-soft"
            >{{ range.medium }}, {{ range.own ? 'my own range' : 'an example' }}</span
          >
        </span>
        <span class="text-xs">{{ range.owned }} of {{ range.count }} mine</span>
        <template v-if="asking === range.id">
          <button type="button" class="button button-main" @click="take(range, true)">
            Yes, all {{ range.count }}
          </button>
          <button type="button" class="button" @click="asking = 0">No</button>
        </template>
        <button
          v-else-if="range.owned < range.count"
          type="button"
          class="button"
          @click="asking = range.id"
        >
          I own all of it<span class="sr-only">: {{ range.name }}</span>
        </button>
        <button v-else type="button" class="button button-plain" @click="take(range, false)">
          None of it after all<span class="sr-only">: {{ range.name }}</span>
        </button>
      </li>
    </ul>
    <DrawerList v-if="listing" @close="((listing = false), refresh())" />
  </main>
</template>
