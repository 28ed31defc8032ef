<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, got } from '@/api/client'
import { useCard } from '@/card/card'
import { useStage } from '@/card/stage'
import { useOnlyOwned } from '@/lib/owned'
import OnOff from '@/ui/OnOff.vue'
import TabLinks from '@/ui/TabLinks.vue'
import AreasView from './AreasView.vue'
import DrawingDialog from './DrawingDialog.vue'
import MaterialsView from './MaterialsView.vue'
import OrderView from './OrderView.vue'

/** Which colours go where, in what order, and how it will look. */
const route = useRoute()
const store = useCard()
const owned = useOnlyOwned()
const choosing = ref(false)
const colouring = useStage('colouring')
const conflicts = computed(
  () => store.card?.checks.filter((one) => one.kind === 'conflict').length ?? 0,
)
const VIEWS = [
  { view: 'areas', words: 'Areas' },
  { view: 'order', words: 'Order of work' },
  { view: 'materials', words: 'Materials' },
]
const view = computed(() => String(route.query.view ?? 'areas'))
const tabs = computed(() =>
  VIEWS.map((one) => ({
    to: { query: { view: one.view } },
    words:
      one.view === 'materials' && conflicts.value
        ? `${one.words}, ${conflicts.value} to see`
        : one.words,
    here: view.value === one.view,
  })),
)
const bare = computed(
  () => colouring.value?.areas.filter((area) => area.colour && !area.tones.length).length ?? 0,
)

function propose() {
  return store.send((id, version) =>
    got(
      api.POST('/api/cards/{id}/colouring/propose', {
        params: { path: { id } },
        body: { version, owned: owned.value },
      }),
    ),
  )
}
</script>

<template>
  <div v-if="!colouring" class="text-soft">Fetching the colouring …</div>
  <div v-else>
    <div class="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
      <TabLinks :tabs="tabs" label="Parts of the colouring" />
      <div class="flex-1" />
      <OnOff v-model="owned">Only what I own</OnOff>
      <button type="button" class="button" @click="choosing = true">
        {{ colouring.drawing ? 'Another drawing' : 'Choose a drawing' }}
      </button>
      <button
        v-if="bare"
        type="button"
        class="button button-main"
        :disabled="store.busy"
        @click="propose"
      >
        Find families for {{ bare }}
      </button>
    </div>
    <OrderView v-if="view === 'order'" :colouring="colouring" />
    <MaterialsView v-else-if="view === 'materials'" :colouring="colouring" />
    <AreasView v-else :colouring="colouring" @choose="choosing = true" />
    <DrawingDialog v-if="choosing" :chosen="colouring.drawing" @close="choosing = false" />
  </div>
</template>
