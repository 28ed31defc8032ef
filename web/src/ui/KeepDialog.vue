<script setup lang="ts">
import { useSession } from '@/lib/session'
import { ref } from 'vue'
import { ApiError } from '@/api/client'
import { useNotices } from '@/lib/notices'
import AppDialog from './AppDialog.vue'
import Field from '@/ui/Field.vue'

const session = useSession()

/** A name for what is kept to be used again; the slot says what that means. */
const { suggested, keep, among } = defineProps<{
  title: string
  suggested: string
  among: string
  keep: (name: string) => Promise<unknown>
}>()
const emit = defineEmits<{ close: [] }>()
const notices = useNotices()
const name = ref(suggested)
const problem = ref('')

async function submit() {
  problem.value = ''
  try {
    await keep(name.value)
    emit('close')
    notices.show(`“${name.value}” is kept among your ${among}.`)
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
</script>

<template>
  <AppDialog :title="title" @close="$emit('close')">
    <form @submit.prevent="submit">
      <Field label="Name">
        <input v-model="name" class="input" required :maxlength="session.limits?.name" />
      </Field>
      <p class="mt-2 text-xs text-soft"><slot /></p>
      <p v-if="problem" role="alert" class="mt-3 border-l-2 border-ink pl-3">{{ problem }}</p>
      <button type="submit" class="button button-main mt-5">Keep it</button>
    </form>
  </AppDialog>
</template>
