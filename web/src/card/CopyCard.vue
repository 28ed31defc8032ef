<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ApiError, got } from '@/api/client'
import { useSession } from '@/lib/session'
import AppDialog from '@/ui/AppDialog.vue'
import ChoiceList from '@/ui/ChoiceList.vue'
import Field from '@/ui/Field.vue'

/** A copy of a card: all of it, or a new one with its palette or its pieces. */
const { id, name } = defineProps<{ id: number; name: string }>()
defineEmits<{ close: [] }>()
const router = useRouter()
const session = useSession()
const called = ref(`${name}, again`.slice(0, session.limits?.name))
const part = ref<'whole' | 'palette' | 'build'>('whole')
const problem = ref('')
const busy = ref(false)
const PARTS = [
  { value: 'whole', words: 'the whole card' },
  { value: 'palette', words: 'only its palette, with the supplies chosen' },
  { value: 'build', words: 'only how it is built, of white card' },
] as const

async function copy() {
  busy.value = true
  problem.value = ''
  try {
    const body = { name: called.value, part: part.value }
    const made = await got(api.POST('/api/cards/{id}/copy', { params: { path: { id } }, body }))
    await router.push(`/cards/${made.id}`)
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <AppDialog title="Copy this card" @close="$emit('close')">
    <form @submit.prevent="copy">
      <Field label="Name of the copy">
        <input v-model="called" class="input mb-4" required :maxlength="session.limits?.name" />
      </Field>
      <span class="label">What is copied</span>
      <ChoiceList v-model="part" label="What is copied" :options="[...PARTS]" />
      <p v-if="problem" role="alert" class="mt-3">{{ problem }}</p>
      <button type="submit" class="button button-main mt-5" :disabled="busy">Copy it</button>
    </form>
  </AppDialog>
</template>
