<script setup lang="ts">
import { api, type Camera } from '@/api/client'
import OnOff from '@/ui/OnOff.vue'
import TheCamera from '@/ui/TheCamera.vue'
import type { ChartPage } from './chartPage'

/** A filled page of a chart before the camera. */
const { chart } = defineProps<{ chart: ChartPage }>()
const grey = defineModel<boolean>('grey', { required: true })
defineEmits<{ taken: [picture: Blob, name: string] }>()

async function shoot(light: Camera['lights'][number]) {
  const body = { ...chart, light, grey: grey.value }
  const answer = await api.POST('/api/camera/chart', { body, parseAs: 'blob' })
  return { picture: answer.data as unknown as Blob, name: 'chart' }
}
</script>

<template>
  <TheCamera
    about="It pictures this page as if you had filled it by hand, from a little to one side, with noise, under a made-up lamp."
    :shoot="shoot"
    @taken="(picture, name) => $emit('taken', picture, name)"
  >
    <template #beside>
      <OnOff v-model="grey" class="text-xs">with a grey card</OnOff>
    </template>
  </TheCamera>
</template>
