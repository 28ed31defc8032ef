<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, got } from '@/api/client'
import { useCard } from '@/card/card'
import PicturesMade from '@/cards/PicturesMade.vue'
import { useNotices } from '@/lib/notices'
import { useSoon } from '@/lib/soon'
import { plural } from '@/lib/words'
import InsteadList from '@/log/InsteadList.vue'
import SaidFields from '@/log/SaidFields.vue'
import { nothingSaid } from '@/log/said'
import InsteadDialog from '@/stages/plan/InsteadDialog.vue'
import { usePlan } from '@/stages/plan/plan'
import ShareLink from '@/recipes/ShareLink.vue'
import RecipeSheet from '@/ui/RecipeSheet.vue'

/** What was made is written down: when, how many, for whom, and what was done otherwise. */
const store = useCard()
const work = usePlan()
const notices = useNotices()
const router = useRouter()
const whole = useSoon()
const sending = ref(false)
const adding = ref(false)
const pictured = ref(0)

const said = ref(nothingSaid())
watch(
  () => work.plan?.cards,
  (cards) => cards && (said.value.count = cards),
)
watch([() => store.card?.id, () => store.card?.version], ([id]) => id && work.open(id), {
  immediate: true,
})
const tasks = computed(() => [...(work.plan?.past ?? []), ...(work.plan?.tasks ?? [])])
const fresh = computed(
  () => `${store.card!.version} ${work.plan?.version ?? 0} ${pictured.value} ${tasks.value.length}`,
)

async function record() {
  sending.value = true
  try {
    const made = await got(
      api.POST('/api/cards/{id}/records', {
        params: { path: { id: store.card!.id } },
        body: { ...said.value, version: work.plan!.version },
      }),
    )
    notices.show('It stands in the log.')
    void work.open(store.card!.id) // the next making has begun: nothing of this one is shown for it
    await router.push(`/log/${made.id}`)
  } catch (error) {
    notices.fail(error)
    void work.open(store.card!.id)
  } finally {
    sending.value = false
  }
}
</script>

<template>
  <div v-if="!work.plan" class="text-soft">Opening the record …</div>
  <div v-else class="max-w-[900px] space-y-5" :aria-busy="!whole">
    <form class="panel p-4" @submit.prevent="record">
      <SaidFields v-model="said" />
      <div class="mt-4">
        <span class="label">Done otherwise than planned</span>
        <InsteadList
          :used="work.plan.instead"
          class="mb-2"
          @drop="(at) => work.instead({ drop: at })"
        />
        <button type="button" class="button" @click="adding = true">I used something else</button>
      </div>
      <div class="mt-4 flex flex-wrap items-center gap-4">
        <button type="submit" class="button button-main" :disabled="sending">
          Write it into the log
        </button>
        <p class="min-w-0 flex-1 text-xs text-soft">
          The card is kept as it is now; what you change later does not change the record.
          <template v-if="work.plan.past.length"
            >{{ plural(work.plan.past.length, 'step') }} ticked off go along; the next making begins
            anew.</template
          >
          Photos are added there.
        </p>
      </div>
    </form>
    <template v-if="whole">
      <PicturesMade :cards="[store.card!.id]" :version="store.card!.version" @kept="pictured++" />
      <RecipeSheet
        :address="`/api/cards/${store.card!.id}/recipe`"
        :name="store.card!.name"
        :fresh="fresh"
        :file="`/api/cards/${store.card!.id}/recipe/file`"
      >
        <ShareLink :id="store.card!.id" of="cards" />
      </RecipeSheet>
    </template>
    <InsteadDialog v-if="adding" :tasks="tasks" @close="adding = false" />
  </div>
</template>
