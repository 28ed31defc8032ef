<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
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
import PicturesRow from './PicturesRow.vue'
import { providePicture } from './picture'

/** Which colours go where, in what order, and how it will look. */
const route = useRoute()
const store = useCard()
const owned = useOnlyOwned('cards')
const router = useRouter()
const choosing = ref<'drawing' | 'another' | null>(null)
const colouring = useStage('colouring')
const picture = computed(() => {
  const pictures = colouring.value!.pictures
  return pictures.find((one) => one.key === Number(route.query.picture)) ?? pictures[0]!
})
providePicture(picture)
const conflicts = computed(
  () =>
    store.card?.checks.filter((one) => one.kind === 'conflict' && one.picture === picture.value.key)
      .length ?? 0,
)
const VIEWS = [
  { view: 'areas', words: 'Areas' },
  { view: 'order', words: 'Order of work' },
  { view: 'materials', words: 'Materials' },
]
const view = computed(() => String(route.query.view ?? 'areas'))
const tabs = computed(() =>
  VIEWS.map((one) => ({
    to: { query: { ...route.query, view: one.view } },
    words:
      one.view === 'materials' && conflicts.value
        ? `${one.words}, ${conflicts.value} to look at`
        : one.words,
    here: view.value === one.view,
  })),
)
const bare = computed(
  () =>
    picture.value.areas.filter((area) => area.colour && !area.tones.length && !area.like).length,
)

function propose(areas: number[] = []) {
  return store.send((id, version) =>
    got(
      api.POST('/api/cards/{id}/colouring/propose', {
        params: { path: { id } },
        body: { version, owned: owned.value, picture: picture.value.key, areas },
      }),
    ),
  )
}
/** The one that was just added is the one to go on with. */
function show() {
  const newest = Math.max(...store.card!.colouring!.pictures.map((one) => one.key))
  return router.replace({ query: { ...route.query, picture: newest } })
}
</script>

<template>
  <div v-if="!colouring" class="text-soft">Fetching the colouring …</div>
  <div v-else>
    <div class="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
      <TabLinks :tabs="tabs" label="Parts of the colouring" />
      <div class="flex-1" />
      <OnOff v-model="owned">Only what I own</OnOff>
      <button type="button" class="button" @click="choosing = 'drawing'">
        {{ picture.drawing ? 'Another drawing' : 'Choose a drawing' }}
      </button>
      <button
        v-if="bare"
        type="button"
        class="button button-main"
        :disabled="store.busy"
        @click="propose()"
      >
        Find families for {{ bare }}
      </button>
    </div>
    <PicturesRow
      v-if="colouring.pictures.length > 1 || picture.areas.length"
      :colouring="colouring"
      @add="choosing = 'another'"
      @added="show"
    />
    <OrderView v-if="view === 'order'" />
    <MaterialsView v-else-if="view === 'materials'" :colouring="colouring" />
    <AreasView
      v-else
      :colouring="colouring"
      @choose="choosing = 'drawing'"
      @families="propose($event)"
    />
    <DrawingDialog
      v-if="choosing"
      :chosen="choosing === 'another' ? null : picture.drawing"
      :adding="choosing === 'another'"
      @added="show"
      @close="choosing = null"
    />
  </div>
</template>
