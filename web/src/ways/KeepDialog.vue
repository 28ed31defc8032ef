<script setup lang="ts">
import { ref } from 'vue'
import { api, ApiError, got } from '@/api/client'
import { useNotices } from '@/lib/notices'
import AppDialog from '@/ui/AppDialog.vue'
import type { StartColour } from './starting'

/** A name for colours that go onto the shelf of combinations: those given, or a card's. */
const { suggested, colours, card } = defineProps<{
  suggested: string
  colours?: StartColour[]
  card?: number
}>()
const emit = defineEmits<{ close: [] }>()
const notices = useNotices()
const name = ref(suggested)
const problem = ref('')

async function keep() {
  problem.value = ''
  try {
    const body = { name: name.value, colours: colours ?? [], card: card ?? null }
    await got(api.POST('/api/palettes/combinations', { body }))
    emit('close')
    notices.show(`“${name.value}” is kept among your combinations.`)
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
</script>

<template>
  <AppDialog title="Keep this combination" @close="$emit('close')">
    <form @submit.prevent="keep">
      <label class="label" for="keep-name">Name</label>
      <input id="keep-name" v-model="name" class="input" required maxlength="500" />
      <p class="mt-2 text-xs text-soft">
        Kept are the colours themselves, with their names and roles, tied to no supply: so the
        combination can be landed on whatever you own by then.
      </p>
      <p v-if="problem" role="alert" class="mt-3 border-l-2 border-ink pl-3">{{ problem }}</p>
      <button type="submit" class="button button-main mt-5">Keep it</button>
    </form>
  </AppDialog>
</template>
