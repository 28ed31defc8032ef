<script setup lang="ts">
import { ref } from 'vue'
import { api, ApiError, got, type Swatch } from '@/api/client'
import { follow } from '@/api/stream'
import { useFetched } from '@/lib/fetched'
import { useSession } from '@/lib/session'
import OnOff from '@/ui/OnOff.vue'
import LaidFields from '@/ui/LaidFields.vue'
import { isLaid, useLaid } from '@/lib/laid'

/** Read the colour with the swatch reader, where it was switched on. */
const { id, medium } = defineProps<{ id: number; medium: Swatch['medium'] }>()
const emit = defineEmits<{ read: [] }>()
const session = useSession()
const { data: reader } = useFetched(
  () => session.person?.stand_ins,
  () => (session.person?.stand_ins ? got(api.GET('/api/reader')) : null),
)
const { layers, hand, paper, below, papers, told } = useLaid()
const touching = ref(true)
const share = ref<number | null>(null)
const doing = ref('')
const problem = ref('')
const tending = ref(false)

async function tend(path: '/api/reader/calibrate' | '/api/reader/recharge') {
  problem.value = ''
  tending.value = true
  try {
    reader.value = await got(api.POST(path))
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  } finally {
    tending.value = false
  }
}
async function read() {
  problem.value = ''
  share.value = 0
  try {
    const body = { colour: id, touching: touching.value, ...told() }
    await follow<{ share?: number; words?: string }>('/api/reader/read', body, (line) => {
      share.value = line.share ?? share.value
      doing.value = line.words ?? doing.value
    })
    reader.value = await got(api.GET('/api/reader'))
    emit('read')
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  } finally {
    share.value = null
  }
}
</script>

<template>
  <section v-if="reader" class="panel p-4" aria-labelledby="reader">
    <h2 id="reader" class="text-base">{{ reader.name }}</h2>
    <p v-if="reader.simulated" class="mb-3 text-xs">
      <b>Simulated:</b> no instrument is connected. It makes up a reading from a physical model of
      its own, so it tells nothing about your real swatch.
    </p>
    <p class="mb-3 text-xs text-soft">
      {{ reader.calibrated ? 'Calibrated' : 'Not calibrated' }}, battery {{ reader.battery }} %.
    </p>
    <LaidFields
      v-if="isLaid(medium)"
      v-model:layers="layers"
      v-model:hand="hand"
      v-model:paper="paper"
      v-model:below="below"
      :papers="papers"
    />
    <OnOff v-if="reader.simulated" v-model="touching" class="mt-3 text-xs"
      >held flat on the swatch</OnOff
    >
    <p v-if="problem" role="alert" class="mt-3 border-l-2 border-ink pl-3">{{ problem }}</p>
    <div v-if="share !== null" class="mt-4" role="status">
      <progress class="w-full" :value="share" max="1" :aria-label="doing" />
      <span class="text-xs">{{ doing }} …</span>
    </div>
    <div v-else class="mt-4 flex flex-wrap gap-2">
      <button type="button" class="button button-main" :disabled="tending" @click="read">
        Read the swatch
      </button>
      <button type="button" class="button" @click="tend('/api/reader/calibrate')">
        Calibrate on the white tile
      </button>
      <button
        v-if="reader.battery < 100"
        type="button"
        class="button button-plain"
        @click="tend('/api/reader/recharge')"
      >
        Recharge
      </button>
    </div>
  </section>
</template>
