<script setup lang="ts">
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { ApiError } from '@/api/client'
import { useSession } from '@/lib/session'

/** A new password, by the link that was sent to who forgot theirs. */
const session = useSession()
const route = useRoute()
const router = useRouter()
const password = ref('')
const problem = ref('')
const busy = ref(false)

async function take() {
  busy.value = true
  problem.value = ''
  try {
    await session.takePassword(Number(route.query.who), String(route.query.key), password.value)
    await router.replace('/cards')
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <main class="flex min-h-dvh items-center justify-center p-6">
    <form class="panel w-full max-w-[420px] p-6" @submit.prevent="take">
      <h1 class="mb-4 text-lg">A new password</h1>
      <label class="label" for="password">As it shall be</label>
      <input
        id="password"
        v-model="password"
        class="input"
        type="password"
        autocomplete="new-password"
        required
        maxlength="200"
      />
      <p class="mt-1 text-xs text-soft">
        At least {{ session.limits?.password }} characters, not only figures.
      </p>
      <p v-if="problem" class="mt-3 border-l-2 border-ink pl-3" role="alert">{{ problem }}</p>
      <button type="submit" class="button button-main mt-5" :disabled="busy">Take it</button>
    </form>
  </main>
</template>
