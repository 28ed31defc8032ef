<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, got, type Match } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useKeys } from '@/lib/keys'
import { useOnlyOwned } from '@/lib/owned'
import type { Picked } from '@/ui/FindColour.vue'
import FindDialog from '@/ui/FindDialog.vue'
import NothingHere from '@/ui/NothingHere.vue'
import OnOff from '@/ui/OnOff.vue'
import TabLinks from '@/ui/TabLinks.vue'
import ViewSwitch from '@/ui/ViewSwitch.vue'
import InsteadPanel from './InsteadPanel.vue'
import LikeGrid from './LikeGrid.vue'
import ReadingsPanel from './ReadingsPanel.vue'
import TargetPanel from './TargetPanel.vue'
import ToPalette from './ToPalette.vue'

/** One colour, and what it is everywhere else. */
const route = useRoute()
const router = useRouter()
const finding = ref(false)
const onlyOwned = useOnlyOwned('match')
const sending = ref(route.query.palette === '1') // where a colour's menu leads
const candidate = ref<Match | null>(null)

const id = computed(() => Number(route.params.id) || null)
const value = computed(() => String(route.query.value ?? ''))
const tab = computed(() => (id.value ? String(route.query.tab ?? 'like') : 'like'))
const {
  data: like,
  missing,
  problem,
  refresh,
} = useFetched([id, value, onlyOwned], () => {
  if (!id.value && !value.value) return null
  const query = id.value ? { colour: id.value } : { value: value.value }
  return got(api.GET('/api/like', { params: { query: { ...query, owned: onlyOwned.value } } }))
})
watch(like, (now) => {
  candidate.value = now?.ranges[0]?.matches[0] ?? null
  document.title = `${now?.target.label ?? 'Match'} · Jindle`
})
const tabs = computed(() =>
  ['like', 'instead', 'readings'].map((key) => ({
    to: { path: route.path, query: key === 'like' ? {} : { tab: key } },
    words: { like: 'Like it', instead: 'Use instead', readings: 'My readings' }[key]!,
    here: tab.value === key,
  })),
)

function open(picked: Picked) {
  finding.value = false
  if ('swatch' in picked) void router.push(`/match/${picked.swatch.id}`)
  else void router.push({ path: '/match', query: { value: picked.text } })
}
/** The candidate becomes the target: what is like the other one? */
function flip() {
  if (candidate.value) void router.push(`/match/${candidate.value.swatch.id}`)
}
useKeys({
  '/': () => (finding.value = true),
  f: flip,
  p: () => (like.value ? (sending.value = true) : false),
})
</script>

<template>
  <NothingHere v-if="missing" />
  <main v-else class="flex flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
    <section
      aria-label="The colour"
      class="relative flex shrink-0 flex-col gap-4 border-line bg-wall p-5 small:gap-2 small:p-3 max-lg:border-b lg:w-[336px] lg:overflow-y-auto lg:border-r"
    >
      <h1 class="text-xl small:sr-only">Match</h1>
      <button
        type="button"
        class="input !min-h-11 cursor-pointer text-left text-soft"
        aria-keyshortcuts="/"
        @click="finding = true"
      >
        A code, a name, #1a7c9b … <kbd class="keycap float-right">/</kbd>
      </button>
      <p v-if="problem" role="alert" class="border-l-2 border-ink pl-3">{{ problem }}</p>
      <template v-if="like">
        <TargetPanel
          :target="like.target"
          :candidate="tab === 'like' ? candidate : null"
          @flip="flip"
          @send="sending = true"
          @changed="refresh"
        />
        <ViewSwitch />
      </template>
    </section>
    <section v-if="like" class="min-w-0 flex-1 p-5 lg:overflow-y-auto">
      <div class="mb-4 flex flex-wrap items-center justify-between gap-3">
        <TabLinks v-if="id" :tabs="tabs" label="About this colour" />
        <span v-else />
        <OnOff v-if="tab === 'like'" v-model="onlyOwned">Only what I own</OnOff>
      </div>
      <LikeGrid
        v-if="tab === 'like'"
        :ranges="like.ranges"
        :chosen="candidate?.swatch.id ?? 0"
        @choose="candidate = $event"
        @flip="flip"
      />
      <InsteadPanel v-else-if="tab === 'instead'" :id="id!" />
      <ReadingsPanel v-else :id="id!" @changed="refresh" />
    </section>
    <section v-else-if="!problem" class="max-w-xl p-5">
      <div class="panel p-6">
        <h2 class="mb-2 text-lg">I have this here. What is it there?</h2>
        <p class="mb-4">
          Type any code or name, also half remembered, or a value. You see what is like it in every
          other range and medium, how near, in which direction, and what of it is in your drawer.
        </p>
        <div class="flex flex-wrap gap-2">
          <button type="button" class="button button-main" @click="finding = true">
            Find a colour
          </button>
          <RouterLink to="/match/family" class="button"
            >A whole family into another range</RouterLink
          >
        </div>
      </div>
    </section>
    <FindDialog v-if="finding" act="show what is like it" @close="finding = false" @pick="open" />
    <ToPalette v-if="sending && like" :target="like.target" @close="sending = false" />
  </main>
</template>
