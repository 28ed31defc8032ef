<script setup lang="ts">
import { ref } from 'vue'
import { api, type Camera, type Paper } from '@/api/client'
import ChoiceList from '@/ui/ChoiceList.vue'
import OnOff from '@/ui/OnOff.vue'
import TheCamera from '@/ui/TheCamera.vue'

/** A drawn sheet before the camera. */
defineEmits<{ taken: [picture: Blob, name: string] }>()
const paper = ref<Paper | null>(null)
const card = ref(true)
let first: Paper | undefined

const chosen = (camera: Camera) => {
  first = camera.papers[0]
  return paper.value ?? first
}
async function shoot(light: Camera['lights'][number]) {
  const sheet = (paper.value ?? first)!
  const body = { paper: sheet.id, light, card: card.value }
  const answer = await api.POST('/api/camera/photograph', { body, parseAs: 'blob' })
  return { picture: answer.data as unknown as Blob, name: `${sheet.title} again` }
}
</script>

<template>
  <TheCamera
    v-slot="{ camera }"
    about="It pictures a drawn sheet under a made-up lamp, with noise, falling-off corners and a slight tilt."
    :shoot="shoot"
    @taken="(picture, name) => $emit('taken', picture, name)"
  >
    <div v-if="chosen(camera)">
      <span class="label">Sheet</span>
      <ChoiceList
        :model-value="chosen(camera)!.id"
        label="Sheet"
        :options="camera.papers.map((one) => ({ value: one.id, words: one.title }))"
        @update:model-value="(id) => (paper = camera.papers.find((one) => one.id === id)!)"
      />
    </div>
    <OnOff v-model="card" class="order-last text-xs sm:col-span-2">with white card</OnOff>
  </TheCamera>
</template>
