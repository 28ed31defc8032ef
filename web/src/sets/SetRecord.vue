<script setup lang="ts">
import { ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, got } from '@/api/client'
import { useNotices } from '@/lib/notices'
import { plural } from '@/lib/words'
import SaidFields from '@/log/SaidFields.vue'
import { nothingSaid } from '@/log/said'
import { usePlan } from '@/stages/plan/plan'
import { useSet } from './set'

/** What was made of a set is written down once: each card as it is now, and that they were made together. */
const { set } = useSet()
const work = usePlan()
const notices = useNotices()
const router = useRouter()
const sending = ref(false)
const said = ref(nothingSaid())
watch(
  () => set.value?.id,
  (id) => id && work.open(id, 'sets'),
  { immediate: true },
)
async function record() {
  sending.value = true
  try {
    const { made, occasion, person, went_well, to_change } = said.value
    const told = { made, occasion, person, went_well, to_change }
    await got(
      api.POST('/api/sets/{id}/records', {
        params: { path: { id: set.value!.id } },
        body: { ...told, version: work.plan!.version },
      }),
    )
    notices.show('They stand in the log.')
    await router.push('/log')
  } catch (error) {
    notices.fail(error)
    void work.open(set.value!.id, 'sets')
  } finally {
    sending.value = false
  }
}
</script>

<template>
  <form v-if="set" class="panel max-w-[900px] p-4" @submit.prevent="record">
    <SaidFields v-model="said" :counted="false" />
    <ul class="mt-4 text-xs">
      <li v-for="one in set.cards" :key="one.id">{{ one.count }} × {{ one.name }}</li>
    </ul>
    <div class="mt-4 flex flex-wrap items-center gap-4">
      <button type="submit" class="button button-main" :disabled="sending || !work.plan">
        Write {{ plural(set.cards.length, 'card') }} into the log
      </button>
      <p class="min-w-0 flex-1 text-xs text-soft">
        Each card is kept as it is now, with its recipe, and told to have been made with the others.
      </p>
    </div>
  </form>
</template>
