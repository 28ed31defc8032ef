<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ApiError, got, type Range } from '@/api/client'
import { mediumValues } from '@/api/schema'
import AppDialog from '@/ui/AppDialog.vue'
import ChoiceList from '@/ui/ChoiceList.vue'

/** Make a range of one's own, to be filled by hand. */
defineEmits<{ close: [] }>()
const router = useRouter()
const name = ref('')
const maker = ref('')
const medium = ref<Range['medium']>('alcohol marker')
const problem = ref('')

async function make() {
  problem.value = ''
  try {
    const body = { name: name.value, maker: maker.value, medium: medium.value, note: '' }
    const made = await got(api.POST('/api/ranges', { body }))
    await router.push(`/supplies/${made.id}?tab=edit`)
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
</script>

<template>
  <AppDialog title="Make a range" @close="$emit('close')">
    <form class="space-y-3" @submit.prevent="make">
      <div>
        <label class="label" for="new-range">Name</label>
        <input id="new-range" v-model="name" class="input" required maxlength="500" />
      </div>
      <div>
        <label class="label" for="new-maker">Maker (optional)</label>
        <input id="new-maker" v-model="maker" class="input" maxlength="500" />
      </div>
      <div>
        <span class="label">Medium</span>
        <ChoiceList
          v-model="medium"
          label="Medium"
          :options="mediumValues.map((value) => ({ value, words: value }))"
        />
      </div>
      <p v-if="problem" role="alert" class="border-l-2 border-ink pl-3">{{ problem }}</p>
      <button type="submit" class="button button-main">Make it</button>
    </form>
  </AppDialog>
</template>
