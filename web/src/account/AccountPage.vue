<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ApiError, form } from '@/api/client'
import type { components } from '@/api/schema'
import { useNotices } from '@/lib/notices'
import { useProgress } from '@/lib/reading'
import { useSession } from '@/lib/session'
import { plural } from '@/lib/words'
import LinksGiven from '@/recipes/LinksGiven.vue'
import MyEyes from './MyEyes.vue'
import RoomLeft from './RoomLeft.vue'
import FileButton from '@/ui/FileButton.vue'
import OnOff from '@/ui/OnOff.vue'
import ProgressLine from '@/ui/ProgressLine.vue'
import { forgetSeen } from '@/lib/seen'
import Field from '@/ui/Field.vue'

/** How things are shown, the password, and everything of mine: out, back, or gone. */
const session = useSession()
const notices = useNotices()
const router = useRouter()
const old = ref('')
const fresh = ref('')
const sure = ref('')
const problems = ref<Record<string, string>>({})

async function attempt(what: string, action: () => Promise<unknown>) {
  problems.value = {}
  try {
    await action()
  } catch (error) {
    problems.value = {
      [what]:
        error instanceof ApiError
          ? error.problems.map((one) => one.message).join(' ') || error.message
          : String(error),
    }
  }
}
const changePassword = () =>
  attempt('password', async () => {
    await api.POST('/api/me/password', { body: { old: old.value, new: fresh.value } })
    old.value = fresh.value = ''
    notices.show('Your password is changed.')
  })
const email = ref(session.person?.email ?? '')
const known = ref('')
const keepAddress = () =>
  attempt('email', async () => {
    await session.setAddress(email.value.trim(), known.value)
    known.value = ''
    notices.show(email.value ? 'Your address is kept.' : 'No address is kept.')
  })
const signOutElsewhere = () =>
  attempt('elsewhere', async () => {
    await api.POST('/api/me/sign-out-elsewhere')
    notices.show('You are signed in here only.')
  })
const { step, problem: notBack, ask, cancel } = useProgress()
async function bringBack(file: File) {
  const body = form('/api/me/archive/followed', { file })
  const found = await ask<components['schemas']['UnpackedLine']>('/api/me/archive/followed', body)
  if (!found?.back) return
  const { cards, ranges, drawer, readings } = found.back
  notices.show(
    `Back are ${plural(cards, 'card')}, ${plural(ranges, 'own range')}, ` +
      `${plural(drawer, 'colour')} of the drawer and ${plural(readings, 'reading')}.`,
  )
  await router.push('/cards')
}
const darkFirst = computed({
  get: () => session.person?.dark_first ?? false,
  set: (value) => void session.set({ dark_first: value }).catch(notices.fail),
})
const figures = computed({
  get: () => session.person?.figures ?? false,
  set: (value) => void session.set({ figures: value }).catch(notices.fail),
})
const standIns = computed({
  get: () => session.person?.stand_ins ?? false,
  set: (value) => void session.set({ stand_ins: value }).catch(notices.fail),
})
const remove = () =>
  attempt('delete', async () => {
    await api.POST('/api/me/delete', { body: { password: sure.value } })
    await forgetSeen()
    location.assign('/sign-in')
  })
</script>

<template>
  <main class="overflow-y-auto p-6 small:p-3">
    <h1 class="mb-5 text-xl">{{ session.person?.name }}</h1>
    <div class="grid max-w-[920px] gap-5 md:grid-cols-2">
      <section class="panel p-5" aria-labelledby="mine">
        <h2 id="mine" class="mb-2 text-base">Everything of mine</h2>
        <p class="mb-4">
          One archive of open files: own ranges, papers and drawings, drawer, readings,
          combinations, families, cards with their history, the log with its photos, and settings.
          It can be brought back into an empty account.
        </p>
        <ProgressLine v-if="step" :step="step" class="mb-3" @cancel="cancel" />
        <p v-if="notBack" role="alert" class="mb-3 border-l-2 border-ink pl-3">{{ notBack }}</p>
        <div class="flex flex-wrap gap-2">
          <a class="button button-main" href="/api/me/archive">Take out everything</a>
          <FileButton accept=".zip" @file="bringBack">Bring an archive back</FileButton>
        </div>
      </section>
      <LinksGiven />
      <RoomLeft />
      <section class="panel p-5" aria-labelledby="habits">
        <h2 id="habits" class="mb-2 text-base">How I colour</h2>
        <OnOff v-model="darkFirst">Dark first</OnOff>
        <p class="mt-2 text-xs text-soft">
          The shadow first, then pulled out with the lighter tones. Each card can do otherwise.
        </p>
        <h2 class="mt-5 mb-2 text-base">How I am told</h2>
        <OnOff v-model="figures">Show figures always</OnOff>
        <p class="mt-2 text-xs text-soft">
          How far apart two colours are and how sure that is, as figures beside the words. Without
          it they stand behind a ?.
        </p>
        <h2 class="mt-5 mb-2 text-base">To try out</h2>
        <OnOff v-model="standIns">Simulated reader and camera</OnOff>
        <p class="mt-2 text-xs text-soft">
          Made-up devices, to see how reading goes. What they give stays marked as simulated, and
          never counts against the label of a range that you have.
        </p>
        <RouterLink to="/account/screen" class="button mt-5">Check this screen</RouterLink>
        <MyEyes />
      </section>
      <form class="panel p-5" aria-labelledby="password" @submit.prevent="changePassword">
        <h2 id="password" class="mb-3 text-base">Password</h2>
        <Field label="As it is">
          <input
            v-model="old"
            class="input mb-3"
            type="password"
            required
            autocomplete="current-password"
          />
        </Field>
        <label class="label" for="new-password">As it shall be</label>
        <input
          id="new-password"
          v-model="fresh"
          class="input"
          type="password"
          required
          autocomplete="new-password"
        />
        <p v-if="problems.password" role="alert" class="mt-3 border-l-2 border-ink pl-3">
          {{ problems.password }}
        </p>
        <button type="submit" class="button mt-4">Change it</button>
        <h2 class="mt-6 mb-2 text-base">Other devices</h2>
        <p v-if="problems.elsewhere" role="alert" class="mb-3 border-l-2 border-ink pl-3">
          {{ problems.elsewhere }}
        </p>
        <button type="button" class="button" @click="signOutElsewhere">
          Sign out everywhere else
        </button>
      </form>
      <form class="panel p-5" aria-labelledby="address" @submit.prevent="keepAddress">
        <h2 id="address" class="mb-2 text-base">If I forget it</h2>
        <label class="label" for="email">Address for a letter with a link</label>
        <input id="email" v-model="email" class="input" type="email" autocomplete="email" />
        <p class="mt-1 text-xs text-soft">
          For that and nothing else; nobody sees it. Leave it empty, and nobody can help you then.
        </p>
        <label class="label mt-3" for="known">The password of this account</label>
        <input
          id="known"
          v-model="known"
          class="input"
          type="password"
          required
          autocomplete="current-password"
        />
        <p v-if="problems.email" role="alert" class="mt-3 border-l-2 border-ink pl-3">
          {{ problems.email }}
        </p>
        <button type="submit" class="button mt-4">Keep it</button>
      </form>
      <form class="panel p-5" aria-labelledby="gone" @submit.prevent="remove">
        <h2 id="gone" class="mb-2 text-base">Delete everything of mine</h2>
        <p class="mb-3">
          The account goes with every card, own range, reading and the drawer, for good. Take out
          everything first if you may want it again.
        </p>
        <Field label="Your password, to be sure">
          <input
            v-model="sure"
            class="input"
            type="password"
            required
            autocomplete="current-password"
          />
        </Field>
        <p v-if="problems.delete" role="alert" class="mt-3 border-l-2 border-ink pl-3">
          {{ problems.delete }}
        </p>
        <button type="submit" class="button mt-4">Delete it for good</button>
      </form>
    </div>
  </main>
</template>
