<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, got } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useNotices } from '@/lib/notices'
import ChoiceList from '@/ui/ChoiceList.vue'
import OnOff from '@/ui/OnOff.vue'

/** The camera: takes a picture of a drawn sheet under a made-up light. */
const emit = defineEmits<{ taken: [picture: Blob, name: string] }>()
const notices = useNotices()
const { data: camera } = useFetched([], () => got(api.GET('/api/camera')))
const paper = ref(0)
const light = ref('daylight')
const card = ref(true)
const busy = ref(false)
const chosen = computed(
  () => camera.value?.papers.find((one) => one.id === paper.value) ?? camera.value?.papers[0],
)

async function photograph() {
  busy.value = true
  try {
    const body = { paper: chosen.value!.id, light: light.value as 'daylight', card: card.value }
    const answer = await api.POST('/api/camera/photograph', { body, parseAs: 'blob' })
    emit('taken', answer.data as unknown as Blob, `${chosen.value!.title} again`)
  } catch (error) {
    notices.fail(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <section v-if="camera && chosen" class="panel p-5" aria-labelledby="camera">
    <h2 id="camera" class="text-base">{{ camera.name }}</h2>
    <p v-if="camera.simulated" class="mb-3 text-xs">
      <b>Simulated:</b> no camera is connected. It pictures a drawn sheet under a made-up lamp, with
      noise, falling-off corners and a slight tilt.
    </p>
    <div class="grid gap-3 sm:grid-cols-2">
      <div>
        <span class="label">Sheet</span>
        <ChoiceList
          :model-value="chosen.id"
          label="Sheet"
          :options="camera.papers.map((one) => ({ value: one.id, words: one.title }))"
          @update:model-value="(id) => (paper = id)"
        />
      </div>
      <div>
        <span class="label">Light</span>
        <ChoiceList
          v-model="light"
          label="Light"
          :options="camera.lights.map((value) => ({ value, words: value }))"
        />
      </div>
    </div>
    <div class="mt-3 flex flex-wrap items-center gap-4">
      <button type="button" class="button" :disabled="busy" @click="photograph">
        Take the photograph
      </button>
      <OnOff v-model="card" class="text-xs">with white card</OnOff>
    </div>
  </section>
</template>
