<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ApiError, got } from '@/api/client'
import { useSession } from '@/lib/session'
import AppDialog from '@/ui/AppDialog.vue'
import SizeFields, { type Size } from './SizeFields.vue'
import Field from '@/ui/Field.vue'

const { sizes } = defineProps<{ sizes: (Size & { words: string })[] }>()
defineEmits<{ close: [] }>()
const router = useRouter()
const session = useSession()
const name = ref('')
const problem = ref('')
const first = sizes[0]
const size = ref<Size>(
  first
    ? { width: first.width, height: first.height, unit: first.unit }
    : { width: '', height: '', unit: session.person?.units ?? 'in' },
)

async function make() {
  problem.value = ''
  try {
    const made = await got(api.POST('/api/cards', { body: { name: name.value, size: size.value } }))
    await router.push(`/cards/${made.id}/palette`)
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
</script>

<template>
  <AppDialog title="New card" @close="$emit('close')">
    <form @submit.prevent="make">
      <Field label="Name">
        <input
          v-model="name"
          class="input mb-4"
          required
          :maxlength="session.limits?.name"
          placeholder="Kingfisher, get well"
        />
      </Field>
      <SizeFields v-model="size" :sizes="sizes" />
      <p v-if="problem" class="mt-3 border-l-2 border-ink pl-3" role="alert">{{ problem }}</p>
      <button type="submit" class="button button-main mt-5">Start the card</button>
    </form>
  </AppDialog>
</template>
