<script setup lang="ts">
import { reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ApiError, got, type Range } from '@/api/client'
import AppDialog from '@/ui/AppDialog.vue'
import RangeFields, { type Fields } from './RangeFields.vue'

/** Make a range of one's own, to be filled by hand. */
defineEmits<{ close: [] }>()
const router = useRouter()
const fields = reactive<Fields>({
  name: '',
  maker: '',
  medium: 'alcohol marker',
  note: '',
  properties: {},
})
const problem = ref('')

async function make() {
  problem.value = ''
  try {
    const made = await got(
      api.POST('/api/ranges', { body: fields as Fields & { medium: Range['medium'] } }),
    )
    await router.push(`/supplies/${made.id}?tab=edit`)
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
</script>

<template>
  <AppDialog title="Make a range" @close="$emit('close')">
    <form class="space-y-3" @submit.prevent="make">
      <RangeFields v-model="fields" />
      <p v-if="problem" role="alert" class="border-l-2 border-ink pl-3">{{ problem }}</p>
      <button type="submit" class="button button-main">Make it</button>
    </form>
  </AppDialog>
</template>
