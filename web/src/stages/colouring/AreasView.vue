<script setup lang="ts">
import { PlusIcon } from '@heroicons/vue/20/solid'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import type { Colouring } from '@/api/client'
import { useKeys } from '@/lib/keys'
import { useSession } from '@/lib/session'
import { useSoon } from '@/lib/soon'
import DrawnPicture from '@/drawing/DrawnPicture.vue'
import AreaPanel from './AreaPanel.vue'
import LightChoice from './LightChoice.vue'
import OnPapers from './OnPapers.vue'
import PicturePaper from './PicturePaper.vue'
import SeveralAreas from './SeveralAreas.vue'
import { within, type Point } from './lasso'
import { usePicture } from './picture'

/** The picture, its areas, and those that are chosen. */
const { colouring } = defineProps<{ colouring: Colouring }>()
defineEmits<{ choose: []; families: [keys: number[]] }>()
const { store, picture, drawn } = usePicture()
const session = useSession()
const whole = useSoon()
const picked = ref(new Set<number>())
const name = ref('')
const like = ref('')
const comparing = ref(false)
const areas = computed(() => picture.value.areas)
const chosen = computed(() => areas.value.filter((one) => picked.value.has(one.key)))
const area = computed(() => chosen.value[0] ?? areas.value[0])
const shown = computed(
  () => new Set(chosen.value.length ? chosen.value.map((one) => one.key) : [area.value?.key ?? 0]),
)
const colours = computed(() => new Map(store.card!.colours.map((one) => [one.key, one])))
/** What areas can be coloured as: any that does not come down to themselves. */
const others = computed(() => [
  { value: 0, words: 'coloured by itself' },
  ...colouring.pictures.flatMap((one) =>
    one.areas
      .filter((each) => ![each.key, ...each.led_by].some((key) => shown.value.has(key)))
      .map((each) => ({ value: each.key, words: `as ${each.name} in ${one.name}` })),
  ),
])

function pick(key: number, more: boolean) {
  if (!key) return
  const now = new Set(more ? picked.value : [])
  if (more && now.has(key)) now.delete(key)
  else now.add(key)
  picked.value = now
}
const clear = () => (picked.value = new Set())
function pickByName() {
  const wanted = like.value.trim().toLowerCase()
  const found = areas.value.filter((one) => one.name.toLowerCase().includes(wanted))
  if (wanted) picked.value = new Set(found.map((one) => one.key))
}
watch(() => picture.value.key, clear)
useKeys({ escape: () => (picked.value.size ? clear() : false) })

// The strip and the keys 1 to 9 paint what is chosen.
watch(
  () => !!area.value,
  (is) => {
    store.painting = is
      ? (colour) => void store.change({ kind: 'edit_areas', keys: [...shown.value], colour })
      : null
  },
  { immediate: true },
)
onBeforeUnmount(() => (store.painting = null))

// A line drawn around areas chooses those whose middle it goes around.
const sheet = ref<SVGSVGElement | null>(null)
const line = ref<Point[]>([])
let from: Point | null = null
let drew = false
const at = (event: PointerEvent): Point => {
  const point = new DOMPoint(event.clientX, event.clientY)
  return point.matrixTransform(sheet.value!.getScreenCTM()!.inverse())
}
function begin(event: PointerEvent) {
  drew = false
  from = event.button === 0 ? at(event) : null
}
function draw(event: PointerEvent) {
  if (!from) return
  const now = at(event)
  const far = Math.hypot(now.x - from.x, now.y - from.y) > drawn.value!.width / 60
  if (!line.value.length && !far) return
  if (!line.value.length) sheet.value!.setPointerCapture(event.pointerId)
  line.value = [...(line.value.length ? line.value : [from]), now]
}
function end(event: PointerEvent) {
  from = null
  if (line.value.length < 3) return void (line.value = [])
  const found = [...sheet.value!.querySelectorAll<SVGPathElement>('path[data-area]')].filter(
    (path) => {
      const box = path.getBBox()
      return within({ x: box.x + box.width / 2, y: box.y + box.height / 2 }, line.value)
    },
  )
  const keys = found.map((path) => Number(path.dataset.area)).filter(Boolean)
  picked.value = new Set(event.shiftKey ? [...picked.value, ...keys] : keys)
  line.value = []
  drew = true
}
function choose(key: number, more: boolean) {
  if (!drew) pick(key, more)
}

async function add() {
  const made = { kind: 'add_area', name: name.value, extent: 'small' } as const
  if (await store.change({ ...made, picture: picture.value.key })) name.value = ''
}
</script>

<template>
  <div class="grid gap-4 xl:grid-cols-[minmax(0,9fr)_minmax(0,11fr)]" :aria-busy="!whole">
    <div>
      <svg
        v-if="drawn"
        ref="sheet"
        :viewBox="`-6 -6 ${drawn.width + 12} ${drawn.height + 12}`"
        class="mb-2 block max-h-[300px] w-full touch-none rounded-data select-none"
        :style="{ background: drawn.paper[session.view] }"
        role="img"
        aria-label="The picture, coloured as predicted"
        @pointerdown="begin"
        @pointermove="draw"
        @pointerup="end"
        @pointercancel="line = []"
      >
        <DrawnPicture :picture="drawn" :lit="store.lit" :chosen="shown" @pick="choose" />
        <polyline
          v-if="line.length"
          :points="line.map((one) => `${one.x},${one.y}`).join(' ')"
          class="lasso"
          :stroke-width="drawn.width * 0.005"
        />
      </svg>
      <p v-else class="panel mb-2 p-4">
        No picture yet.
        <button type="button" class="cursor-pointer underline" @click="$emit('choose')">
          Choose a line drawing
        </button>
        and its closed shapes become areas, or name the areas of your own stamp below.
      </p>
      <div class="mb-3 flex flex-wrap items-center gap-2">
        <LightChoice />
        <PicturePaper />
        <button v-if="drawn" type="button" class="button" @click="comparing = true">
          On other papers
        </button>
      </div>
      <div class="mb-1 flex items-center gap-3">
        <h2 class="text-sm">Areas</h2>
        <p class="min-w-0 flex-1 truncate text-xs text-soft">Shift, or a line around several</p>
        <form v-if="areas.length > 1" @submit.prevent="pickByName">
          <input
            v-model="like"
            class="input !min-h-7 !w-36 !py-0.5 text-xs"
            aria-label="Choose areas by name"
            placeholder="all called …"
            @change="pickByName"
          />
        </form>
      </div>
      <ul v-if="areas.length" class="grid grid-cols-2 gap-1">
        <li v-for="one in areas" :key="one.key">
          <button
            type="button"
            class="flex min-h-8 w-full cursor-pointer items-center gap-2 rounded-data border px-2 text-left text-xs"
            :class="shown.has(one.key) ? 'border-ink bg-sheet ring-1 ring-ink' : 'border-line'"
            :aria-pressed="shown.has(one.key)"
            @click="pick(one.key, $event.shiftKey || $event.ctrlKey || $event.metaKey)"
          >
            <span class="flex h-5 w-14 shrink-0 overflow-hidden rounded-data border border-line">
              <span
                v-for="(tone, n) in one.tones"
                :key="n"
                class="flex-1"
                :style="{ background: tone.shades[session.view] }"
              />
              <span
                v-if="!one.tones.length && one.colour"
                class="flex-1"
                :style="{ background: colours.get(one.colour)?.shades[session.view] }"
              />
            </span>
            <span class="min-w-0 flex-1 truncate">{{ one.name }}</span>
            <span v-if="one.covered" class="text-soft">covered</span>
            <span v-else-if="one.lost || one.judgement?.faults.length" class="font-bold"
              >to look at</span
            >
          </button>
        </li>
      </ul>
      <form class="mt-2 flex gap-2" @submit.prevent="add">
        <input
          v-model="name"
          class="input"
          required
          :maxlength="session.limits?.name"
          aria-label="Name of another area"
          placeholder="Another area, by its name"
        />
        <button type="submit" class="button">
          <PlusIcon class="size-4" aria-hidden="true" />Add
        </button>
      </form>
    </div>
    <SeveralAreas
      v-if="whole && chosen.length > 1"
      :areas="chosen"
      :others="others"
      @families="$emit('families', [...shown])"
      @clear="clear"
    />
    <AreaPanel v-else-if="whole && area" :key="area.key" :area="area" :others="others" />
    <OnPapers v-if="comparing" @close="comparing = false" />
  </div>
</template>

<style scoped>
.lasso {
  fill: none;
  stroke: var(--ink);
  stroke-dasharray: 8 5;
  pointer-events: none;
}
</style>
