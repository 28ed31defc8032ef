<script setup lang="ts">
import { ArrowUturnLeftIcon, ArrowUturnRightIcon, PencilSquareIcon } from '@heroicons/vue/20/solid'
import { useMediaQuery } from '@vueuse/core'
import { computed, defineAsyncComponent, nextTick, ref, useTemplateRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { stale } from '@/lib/fetched'
import { useKeys } from '@/lib/keys'
import { useSession } from '@/lib/session'
import { plural } from '@/lib/words'
import NothingHere from '@/ui/NothingHere.vue'
import ViewSwitch from '@/ui/ViewSwitch.vue'
import BrokenCard from './BrokenCard.vue'
import CardOnDesk from './CardOnDesk.vue'
import CheckList from './CheckList.vue'
import PaletteStrip from './PaletteStrip.vue'
import { useCard } from './card'
import { STAGES } from './stages'
import DotsMenu, { type DotsItem } from '@/ui/DotsMenu.vue'

const AddColour = defineAsyncComponent(() => import('@/stages/palette/AddColour.vue'))
const CardDetails = defineAsyncComponent(() => import('./CardDetails.vue'))
const CopyCard = defineAsyncComponent(() => import('./CopyCard.vue'))

const SMALL = '(width < 640px) or (height < 500px)' // as the styles have it

const route = useRoute()
const session = useSession()
const store = useCard()
const editing = ref(false)
const copying = ref(false)
const adding = ref(false)

watch(
  () => Number(route.params.id),
  (id) => {
    copying.value = false
    if (id) void store.open(id)
  },
  { immediate: true },
)
watch(
  () => [session.person?.units, session.person?.only_owned, stale.value],
  () => store.refresh(),
)
watch(
  () => store.card?.name,
  (name) => name && (document.title = `${name} · Jindle`),
)

// What each stage has to look at again; nothing where it has nothing to judge yet.
const standing = computed<Record<string, number | undefined>>(() => {
  const found: Record<string, number> = {}
  for (const one of store.card!.checks) {
    const open = one.status !== 'holds' && one.waived === null
    found[one.stage] = (found[one.stage] ?? 0) + Number(open)
  }
  return found
})
function standingWords(stage: string) {
  const open = standing.value[stage]
  if (open === undefined) return ''
  return open ? `${plural(open, 'check')} to look at` : 'all checks hold'
}
/** What a small window has no room for beside the name. */
const more = computed<DotsItem[]>(() => [
  { words: 'Name and size …', run: () => (editing.value = true) },
  { words: 'In other colours', to: `/cards/${store.card!.id}/colourways` },
  ...(store.card!.redo ? [{ words: 'Redo', run: () => store.step('redo') }] : []),
])
// Where the stages are pushed sideways, the one that is open is seen.
const stages = useTemplateRef<HTMLElement>('stages')
const small = useMediaQuery(SMALL)
watch(
  () => [route.path, stages.value, small.value],
  async () => {
    await nextTick()
    if (!small.value) return // asking where a thing lies makes the browser lay out everything first
    const here = stages.value?.querySelector<HTMLElement>('[aria-current]')
    if (here) stages.value!.scrollLeft = here.offsetLeft - stages.value!.clientWidth / 3
  },
)
function light(place: number) {
  const key = store.card?.colours[place - 1]?.key
  if (key) store.take(key)
}

useKeys({
  '/': () => (adding.value = true),
  'mod+z': () => store.card?.undo && store.step('undo'),
  'mod+shift+z': () => store.card?.redo && store.step('redo'),
  ...Object.fromEntries(
    Array.from({ length: 9 }, (_, n) => [String(n + 1), () => light(n + 1)] as const),
  ),
})
</script>

<template>
  <NothingHere v-if="store.missing" />
  <BrokenCard v-else-if="store.broken" :id="Number(route.params.id)" />
  <main v-else-if="!store.card" class="p-6 text-soft">Fetching the card …</main>
  <div v-else class="flex flex-col">
    <header
      class="flex min-h-14 shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-b border-line px-5 py-2 small:min-h-0 small:gap-x-1 small:gap-y-0 small:px-2 small:py-0.5 short:flex-nowrap"
    >
      <h1
        class="max-w-[46%] truncate text-lg small:max-w-none small:flex-1 small:pl-1 small:text-base short:sr-only"
        :title="store.card.name"
      >
        {{ store.card.name }}
      </h1>
      <button
        type="button"
        class="button button-plain !font-normal text-soft small:hidden"
        @click="editing = true"
      >
        {{ store.card.size.words }}, {{ store.card.size.orientation }}
        <PencilSquareIcon class="size-4" aria-hidden="true" />
        <span class="sr-only">, change name or size</span>
      </button>
      <div class="flex-1 small:hidden" />
      <RouterLink
        :to="`/cards/${store.card.id}/colourways`"
        class="button button-plain small:hidden"
        >In other colours</RouterLink
      >
      <button
        type="button"
        class="button button-plain"
        :disabled="!store.card.undo"
        :title="store.card.undo ? `Undo ${store.card.undo} (Ctrl Z)` : 'Nothing to undo'"
        @click="store.step('undo')"
      >
        <ArrowUturnLeftIcon class="size-4" aria-hidden="true" /><span class="small:sr-only"
          >Undo</span
        >
      </button>
      <button
        type="button"
        class="button button-plain small:hidden"
        :disabled="!store.card.redo"
        :title="store.card.redo ? `Redo ${store.card.redo} (Ctrl Shift Z)` : 'Nothing to redo'"
        @click="store.step('redo')"
      >
        <ArrowUturnRightIcon class="size-4" aria-hidden="true" />Redo
      </button>
      <span class="hidden small:block short:order-last"
        ><DotsMenu label="More of this card" :items="more"
      /></span>
      <nav
        ref="stages"
        aria-label="Stages"
        class="relative flex gap-0.5 max-lg:flex-wrap small:w-full small:flex-nowrap small:overflow-x-auto small:p-0.5 short:w-auto short:min-w-0 short:flex-1"
      >
        <RouterLink
          v-for="stage in STAGES"
          :key="stage.key"
          :to="`/cards/${store.card.id}/${stage.key}`"
          class="button button-plain shrink-0 !gap-1 !px-2"
          active-class="!bg-sheet !border-edge"
          :title="standingWords(stage.key)"
        >
          {{ stage.words }}
          <!-- The mark's place is kept, so that nothing moves when one comes. -->
          <span
            v-if="!('unjudged' in stage)"
            class="inline-flex h-5 min-w-5 items-center justify-center rounded-full border px-1 text-xs"
            :class="standing[stage.key] === undefined ? 'border-transparent' : 'border-edge'"
          >
            <span aria-hidden="true">{{
              standing[stage.key] === 0 ? '✓' : standing[stage.key]
            }}</span>
            <span class="sr-only">{{ standingWords(stage.key) }}</span>
          </span>
        </RouterLink>
      </nav>
    </header>
    <div class="flex min-h-0 flex-1 flex-col max-lg:overflow-y-auto lg:flex-row">
      <main class="min-w-0 overflow-auto p-4 small:p-2 max-lg:shrink-0 lg:min-h-0 lg:flex-1">
        <RouterView @add="adding = true" />
      </main>
      <aside
        aria-label="The card on the desk and its checks"
        class="flex shrink-0 flex-col gap-4 border-line bg-wall p-4 max-lg:border-t lg:w-[304px] lg:overflow-y-auto lg:border-l"
      >
        <CardOnDesk class="shrink-0" />
        <ViewSwitch />
        <CheckList />
      </aside>
    </div>
    <PaletteStrip @add="adding = true" />
    <CardDetails
      v-if="editing"
      @close="editing = false"
      @copy="((editing = false), (copying = true))"
    />
    <CopyCard v-if="copying" :id="store.card.id" :name="store.card.name" @close="copying = false" />
    <AddColour v-if="adding" @close="adding = false" />
  </div>
</template>
