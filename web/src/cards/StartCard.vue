<script setup lang="ts">
import { ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, ApiError, got } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useSession } from '@/lib/session'
import AppDialog from '@/ui/AppDialog.vue'
import SizeFields, { type Size } from './SizeFields.vue'
import Field from '@/ui/Field.vue'

/** Name and size of a card that starts with a palette. */
const { title, suggested, start } = defineProps<{
  title: string
  suggested: string
  start: (card: { name: string; size: Size }) => Promise<{ id: number }>
}>()
defineEmits<{ close: [] }>()
const router = useRouter()
const session = useSession()
const { data: cards } = useFetched([], () => got(api.GET('/api/cards')))
const name = ref(suggested)
const size = ref<Size>({ width: '', height: '', unit: session.person?.units ?? 'in' })
const problem = ref('')

watch(cards, (now) => {
  const first = now?.sizes[0]
  if (first && !size.value.width)
    size.value = { width: first.width, height: first.height, unit: first.unit }
})
async function make() {
  problem.value = ''
  try {
    const made = await start({ name: name.value, size: size.value })
    await router.push(`/cards/${made.id}/palette`)
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
</script>

<template>
  <AppDialog :title="title" @close="$emit('close')">
    <form @submit.prevent="make">
      <Field label="Name of the card">
        <input v-model="name" class="input mb-4" required :maxlength="session.limits?.name" />
      </Field>
      <SizeFields v-model="size" :sizes="cards?.sizes" />
      <p v-if="problem" role="alert" class="mt-3 border-l-2 border-ink pl-3">{{ problem }}</p>
      <button type="submit" class="button button-main mt-5" :disabled="!cards">
        Start the card
      </button>
    </form>
  </AppDialog>
</template>
