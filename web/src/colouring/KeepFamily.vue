<script setup lang="ts">
import { ref } from 'vue'
import { api, ApiError, got } from '@/api/client'
import { useNotices } from '@/lib/notices'
import AppDialog from '@/ui/AppDialog.vue'

/** A name for a family that is to be used again. */
const { suggested, colours } = defineProps<{ suggested: string; colours: number[] }>()
const emit = defineEmits<{ close: [] }>()
const notices = useNotices()
const name = ref(suggested)
const problem = ref('')

async function keep() {
  problem.value = ''
  try {
    await got(api.POST('/api/families/kept', { body: { name: name.value, colours } }))
    emit('close')
    notices.show(`“${name.value}” is kept among your families.`)
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
</script>

<template>
  <AppDialog title="Keep this family" @close="$emit('close')">
    <form @submit.prevent="keep">
      <label class="label" for="family-name">Name</label>
      <input id="family-name" v-model="name" class="input" required maxlength="500" />
      <p class="mt-2 text-xs text-soft">
        It can be used in any area, landed on another range and printed, under Match.
      </p>
      <p v-if="problem" role="alert" class="mt-3 border-l-2 border-ink pl-3">{{ problem }}</p>
      <button type="submit" class="button button-main mt-5">Keep it</button>
    </form>
  </AppDialog>
</template>
