<script setup lang="ts">
import { ref, watch } from 'vue'
import { api, got, type Camera, type Paper } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import ChoiceList from '@/ui/ChoiceList.vue'
import OnOff from '@/ui/OnOff.vue'
import TheCamera from '@/ui/TheCamera.vue'

/** A drawn sheet before the camera. */
defineEmits<{ taken: [picture: Blob, name: string] }>()
const paper = ref<Paper | null>(null)
const card = ref(true)
const strip = ref(false)
const { data: mine } = useFetched([], () => got(api.GET('/api/strip')))
let first: Paper | undefined

// The strip is a white card as well; a second one would be taken for paper.
watch(strip, (laid) => (card.value = !laid))

const chosen = (camera: Camera) => {
  first = camera.papers[0]
  return paper.value ?? first
}
async function shoot(light: Camera['lights'][number]) {
  const sheet = (paper.value ?? first)!
  const body = { paper: sheet.id, light, card: card.value, strip: strip.value }
  const answer = await api.POST('/api/camera/photograph', { body, parseAs: 'blob' })
  return { picture: answer.data as unknown as Blob, name: `${sheet.title} again` }
}
</script>

<template>
  <TheCamera
    about="It pictures a drawn sheet under a made-up lamp, with noise, falling-off corners and a slight tilt."
    :shoot="shoot"
    @taken="(picture, name) => $emit('taken', picture, name)"
  >
    <template #default="{ camera }">
      <div v-if="chosen(camera)">
        <span class="label">Sheet</span>
        <ChoiceList
          :model-value="chosen(camera)!.id"
          label="Sheet"
          :options="camera.papers.map((one) => ({ value: one.id, words: one.title }))"
          @update:model-value="(id) => (paper = camera.papers.find((one) => one.id === id)!)"
        />
      </div>
    </template>
    <template #beside>
      <OnOff v-model="card" class="text-xs">with white card</OnOff>
      <OnOff v-if="mine?.boxes.length" v-model="strip" class="text-xs">with my strip</OnOff>
    </template>
  </TheCamera>
</template>
