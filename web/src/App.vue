<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import {
  BookOpenIcon,
  EyeIcon,
  LifebuoyIcon,
  MagnifyingGlassIcon,
  QuestionMarkCircleIcon,
  RectangleStackIcon,
  Squares2X2Icon,
  SwatchIcon,
  UserCircleIcon,
} from '@heroicons/vue/24/outline'
import { useEventListener } from '@vueuse/core'
import { computed, defineAsyncComponent, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useKeys } from '@/lib/keys'
import { useNotices } from '@/lib/notices'
import { useOutbox } from '@/lib/outbox'
import { useSession } from '@/lib/session'
import type { Picked } from '@/ui/FindColour.vue'
import { placeOf, useOnlyOwned } from '@/lib/owned'
import NoticeBar from '@/ui/NoticeBar.vue'
import NetworkLine from '@/ui/NetworkLine.vue'
import RoomLine from '@/ui/RoomLine.vue'
import { STAGES } from '@/card/stages'

// What nobody needs for the first look; Find, which a key opens, is fetched with the first key.
const later = {
  help: () => import('@/help/HowThisWorks.vue'),
  keys: () => import('@/ui/KeysHelp.vue'),
  find: () => import('@/ui/FindDialog.vue'),
}
const HowThisWorks = defineAsyncComponent(later.help)
const KeysHelp = defineAsyncComponent(later.keys)
const FindDialog = defineAsyncComponent(later.find)
useEventListener(window, 'keydown', () => void later.find(), { once: true, passive: true })
const session = useSession()
const outbox = useOutbox()
/** What still waits is sent while the person is here; what cannot be stays, closed to whoever comes next. */
async function leave() {
  await outbox.send()
  await session.signOut()
}
const notices = useNotices()
const route = useRoute()
const router = useRouter()
const help = ref(false)
const finding = ref(false)
const about = ref('')
/** The screen that one is at, as the guide calls it. */
const screen = computed(
  () =>
    route.path
      .match(/^\/cards\/\d+\/(\w+)|^\/(\w+)/)
      ?.slice(1)
      .find(Boolean) ?? '',
)
const EXPLAINED = [
  ...STAGES.map((one) => String(one.key)),
  'match',
  'supplies',
  'papers',
  'log',
  'training',
]
const explained = computed(() => EXPLAINED.includes(screen.value))
// A card and Match answer "/" themselves: the one adds to its palette, the other stays where it is.
const answered = computed(() => /^\/(cards\/\d+|match(\/\d+)?$)/.test(route.path))

function guard(action: () => Promise<unknown>) {
  return () => session.person && action().catch(notices.fail)
}

useKeys({
  '?': () => (help.value = true),
  '/': () => (session.person && !answered.value ? (finding.value = true) : false),
  g: () => (session.view = session.view === 'greys' ? 'colour' : 'greys'),
  s: guard(session.nextSurround),
  u: guard(() => session.set({ units: session.person?.units === 'in' ? 'mm' : 'in' })),
  o: () => {
    const place = session.person && placeOf(route.path)
    if (!place) return false
    const owned = useOnlyOwned(place)
    owned.value = !owned.value
  },
})

function show(picked: Picked) {
  finding.value = false
  void router.push(
    'swatch' in picked
      ? `/match/${picked.swatch.id}`
      : { path: '/match', query: { value: picked.text } },
  )
}

const PLACES = [
  { to: '/cards', words: 'Cards', icon: RectangleStackIcon },
  { to: '/match', words: 'Match', icon: MagnifyingGlassIcon },
  { to: '/supplies', words: 'Supplies', icon: SwatchIcon },
  { to: '/papers', words: 'Papers', icon: Squares2X2Icon },
  { to: '/log', words: 'Log', icon: BookOpenIcon },
  { to: '/training', words: 'Training', icon: EyeIcon },
]
</script>

<template>
  <div v-if="session.person" class="flex h-dvh flex-col-reverse sm:flex-row">
    <nav
      v-if="!route.meta.alone"
      aria-label="Main"
      class="flex shrink-0 gap-1 max-[400px]:gap-0 border-line bg-wall p-1.5 max-sm:border-t sm:w-[76px] sm:flex-col sm:border-r sm:py-3 short:sm:gap-0 short:sm:py-1"
    >
      <RouterLink
        v-for="place in PLACES"
        :key="place.to"
        :to="place.to"
        class="flex flex-1 flex-col items-center gap-1 rounded-panel px-1 max-[400px]:px-0 py-2 text-xs short:py-0.5 sm:flex-none"
        :class="
          route.path.startsWith(place.to)
            ? 'bg-strong font-semibold text-onstrong'
            : 'hover:bg-room'
        "
        :aria-current="route.path.startsWith(place.to) ? 'page' : undefined"
      >
        <component :is="place.icon" class="size-5" aria-hidden="true" />
        {{ place.words }}
      </RouterLink>
      <div class="hidden flex-1 sm:block" />
      <button
        type="button"
        class="flex flex-1 cursor-pointer flex-col items-center gap-1 rounded-panel px-1 max-[400px]:px-0 py-2 text-xs hover:bg-room disabled:cursor-default disabled:text-soft short:py-0.5 sm:flex-none"
        :disabled="!explained"
        :title="explained ? 'How this works' : 'This screen explains itself'"
        @click="about = screen"
      >
        <LifebuoyIcon class="size-5" aria-hidden="true" />Help
      </button>
      <button
        type="button"
        class="hidden flex-1 cursor-pointer flex-col items-center gap-1 rounded-panel px-1 max-[400px]:px-0 py-2 text-xs short:py-0.5 hover:bg-room sm:flex-none pointer-fine:flex"
        aria-keyshortcuts="?"
        @click="help = true"
      >
        <QuestionMarkCircleIcon class="size-5" aria-hidden="true" />Keys
      </button>
      <Menu as="div" class="relative flex flex-1 sm:flex-none">
        <MenuButton
          class="flex w-full cursor-pointer flex-col items-center gap-1 rounded-panel px-1 max-[400px]:px-0 py-2 text-xs short:py-0.5 hover:bg-room"
        >
          <UserCircleIcon class="size-5" aria-hidden="true" />Account
        </MenuButton>
        <MenuItems
          class="panel absolute right-0 bottom-full z-20 mb-1 w-56 p-1 sm:right-auto sm:bottom-0 sm:left-full sm:ml-2"
        >
          <p class="truncate px-3 py-2 text-xs text-soft">{{ session.person.name }}</p>
          <MenuItem v-slot="{ active }">
            <RouterLink
              to="/account"
              class="block rounded-panel px-3 py-2"
              :class="active && 'bg-strong text-onstrong'"
              >My account and archive</RouterLink
            >
          </MenuItem>
          <MenuItem v-slot="{ active }">
            <RouterLink
              to="/words"
              class="block rounded-panel px-3 py-2"
              :class="active && 'bg-strong text-onstrong'"
              >Words, explained</RouterLink
            >
          </MenuItem>
          <MenuItem v-slot="{ active }">
            <button
              type="button"
              class="w-full cursor-pointer rounded-panel px-3 py-2 text-left"
              :class="active && 'bg-strong text-onstrong'"
              @click="session.set({ units: session.person.units === 'in' ? 'mm' : 'in' })"
            >
              Measure in {{ session.person.units === 'in' ? 'millimetres' : 'inches' }}
            </button>
          </MenuItem>
          <MenuItem v-slot="{ active }">
            <button
              type="button"
              class="w-full cursor-pointer rounded-panel px-3 py-2 text-left"
              :class="active && 'bg-strong text-onstrong'"
              @click="session.nextSurround()"
            >
              Next surround (now {{ session.person.surround }})
            </button>
          </MenuItem>
          <MenuItem v-slot="{ active }">
            <button
              type="button"
              class="w-full cursor-pointer rounded-panel px-3 py-2 text-left"
              :class="active && 'bg-strong text-onstrong'"
              @click="leave"
            >
              Sign out
            </button>
          </MenuItem>
        </MenuItems>
      </Menu>
    </nav>
    <div class="flex min-h-0 min-w-0 flex-1 flex-col">
      <NetworkLine />
      <RoomLine :key="session.person.name" />
      <RouterView v-slot="{ Component }">
        <component :is="Component" class="min-h-0 min-w-0 flex-1" />
      </RouterView>
    </div>
  </div>
  <RouterView v-else />
  <HowThisWorks v-if="about" :about="about" @close="about = ''" />
  <KeysHelp v-if="help" @close="help = false" />
  <FindDialog v-if="finding" act="show what is like it" @close="finding = false" @pick="show" />
  <div
    v-if="!notices.dialogs"
    class="fixed bottom-20 left-1/2 z-30 w-full max-w-xl -translate-x-1/2 px-4"
  >
    <NoticeBar />
  </div>
</template>
