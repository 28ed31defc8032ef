<script setup lang="ts">
import { ref } from 'vue'
import { api, got, type Camera } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useSession } from '@/lib/session'
import { useNotices } from '@/lib/notices'
import ChoiceList from './ChoiceList.vue'

/** The camera, where it was switched on; what lies before it is said in the slot, and `shoot` takes the picture of it. */
type Light = Camera['lights'][number]
const { shoot } = defineProps<{
  about: string
  shoot: (light: Light) => Promise<{ picture: Blob; name: string }>
}>()
const emit = defineEmits<{ taken: [picture: Blob, name: string] }>()
const notices = useNotices()
const session = useSession()
const { data: camera } = useFetched(
  () => session.person?.stand_ins,
  () => (session.person?.stand_ins ? got(api.GET('/api/camera')) : null),
)
const light = ref<Light>('daylight')
const busy = ref(false)

async function take() {
  busy.value = true
  try {
    const { picture, name } = await shoot(light.value)
    emit('taken', picture, name)
  } catch (error) {
    notices.fail(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <section v-if="camera" class="panel p-5" aria-labelledby="camera">
    <h2 id="camera" class="text-base">{{ camera.name }}</h2>
    <p v-if="camera.simulated" class="mb-3 text-xs">
      <b>Simulated:</b> no camera is connected. {{ about }}
    </p>
    <div class="grid gap-3 sm:grid-cols-2">
      <slot :camera="camera" />
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
      <button type="button" class="button" :disabled="busy" @click="take">
        Take the photograph
      </button>
      <slot name="beside" />
    </div>
  </section>
</template>
