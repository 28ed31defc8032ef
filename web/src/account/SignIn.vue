<script setup lang="ts">
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ApiError } from '@/api/client'
import { useSession } from '@/lib/session'

const session = useSession()
const route = useRoute()
const router = useRouter()
const name = ref('')
const password = ref('')
const fresh = ref(false)
const invitation = ref('')
const forgot = ref(false)
const sent = ref(false)
async function forget() {
  await api.POST('/api/forgotten', { body: { name: name.value } })
  sent.value = true
}
const problem = ref('')
const busy = ref(false)
document.title = 'Sign in · Jindle'

const enter = (action: () => Promise<void>) =>
  enterOr(async () => {
    await action()
    const to = String(route.query.to ?? '/cards')
    await router.replace(to.startsWith('/') ? to : '/cards')
  })
async function enterOr(action: () => Promise<void>) {
  busy.value = true
  problem.value = ''
  try {
    await action()
  } catch (error) {
    problem.value =
      error instanceof ApiError
        ? error.problems.map((one) => one.message).join(' ') || error.message
        : String(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <main class="flex min-h-dvh items-center justify-center p-6">
    <div class="grid w-full max-w-[860px] items-center gap-12 sm:grid-cols-2">
      <div>
        <h1 class="mb-4 text-xl">Jindle</h1>
        <p class="text-lg">One palette through every medium of a handmade card.</p>
        <p class="mt-4 text-soft">
          Markers, ink pads, pencils, cardstock and patterned paper from different ranges: which
          colours belong together, how near they are, and whether the words can be read, before the
          first mark.
        </p>
        <div v-if="session.demo" class="mt-8">
          <button
            type="button"
            class="button button-main"
            :disabled="busy"
            @click="enter(session.openDemo)"
          >
            Open the demo studio
          </button>
          <p class="mt-2 text-xs text-soft">
            Invented ranges and a few cards, to look around. Everybody here shares it.
          </p>
        </div>
      </div>
      <form v-if="forgot" class="panel p-6" @submit.prevent="enterOr(forget)">
        <h2 class="mb-4 text-lg">A forgotten password</h2>
        <p v-if="sent" role="status" class="mb-4">
          If there is an account of that name with an address, a letter with a link is on its way to
          it. The link opens the page for a new password, once, within a day.
        </p>
        <template v-else>
          <p class="mb-4">
            A link for a new one is sent to the address that you gave under Account.
          </p>
          <label class="label" for="name">Name</label>
          <input
            id="name"
            v-model="name"
            class="input"
            autocomplete="username"
            required
            maxlength="80"
          />
          <p v-if="problem" class="mt-3 border-l-2 border-ink pl-3" role="alert">{{ problem }}</p>
        </template>
        <div class="mt-5 flex flex-wrap gap-2">
          <button v-if="!sent" type="submit" class="button button-main" :disabled="busy">
            Send the link
          </button>
          <button type="button" class="button button-plain" @click="forgot = sent = false">
            Back to signing in
          </button>
        </div>
      </form>
      <form
        v-else
        class="panel p-6"
        @submit.prevent="enter(() => session.signIn(name, password, fresh, invitation))"
      >
        <h2 class="mb-4 text-lg">{{ fresh ? 'Make an account' : 'Sign in' }}</h2>
        <label class="label" for="name">Name</label>
        <input
          id="name"
          v-model="name"
          class="input mb-3"
          autocomplete="username"
          required
          maxlength="80"
        />
        <label class="label" for="password">Password</label>
        <input
          id="password"
          v-model="password"
          class="input"
          type="password"
          :autocomplete="fresh ? 'new-password' : 'current-password'"
          required
          maxlength="200"
        />
        <p v-if="fresh" class="mt-1 text-xs text-soft">
          At least {{ session.limits?.password }} characters, not only figures.
        </p>
        <template v-if="fresh && session.door?.sign_up === 'invitation'">
          <label class="label mt-3" for="invitation">Invitation</label>
          <input id="invitation" v-model="invitation" class="input" required maxlength="80" />
          <p class="mt-1 text-xs text-soft">Whoever runs this Jindle gives you one.</p>
        </template>
        <p v-if="problem" class="mt-3 border-l-2 border-ink pl-3" role="alert">{{ problem }}</p>
        <div class="mt-5 flex flex-wrap gap-2">
          <button type="submit" class="button button-main" :disabled="busy">
            {{ fresh ? 'Make the account' : 'Sign in' }}
          </button>
          <button
            v-if="session.door?.sign_up !== 'closed'"
            type="button"
            class="button button-plain"
            @click="fresh = !fresh"
          >
            {{ fresh ? 'I have an account' : 'Make an account' }}
          </button>
          <button
            v-if="!fresh && session.door?.mail"
            type="button"
            class="button button-plain"
            @click="forgot = true"
          >
            I forgot my password
          </button>
        </div>
      </form>
    </div>
  </main>
</template>
