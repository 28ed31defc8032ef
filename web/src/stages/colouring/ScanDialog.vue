<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, form, got, type ScanReading } from '@/api/client'
import { usePictureReading } from '@/lib/reading'
import { useSession } from '@/lib/session'
import { plural } from '@/lib/words'
import AppDialog from '@/ui/AppDialog.vue'
import PictureButton from '@/ui/PictureButton.vue'
import Field from '@/ui/Field.vue'

/** A photo or scan of a stamped outline: areas are found, gaps are closed by hand, pieces made one, named. */
type Point = [number, number]
type Stroke = { way: 'line' | 'join'; points: Point[] }
const emit = defineEmits<{ close: []; stored: [drawing: number, name: string] }>()
const session = useSession()
const mends = ref<Stroke[]>([])
const quarters = ref(0)
const names = ref<string[]>([])
const title = ref('')
const pointed = ref<number | null>(null)
const way = ref<Stroke['way']>('line')
const drawn = ref<Point[]>([])
const frame = ref<SVGSVGElement | null>(null)

const told = (picture: Blob | null) => ({
  file: picture,
  quarters: quarters.value,
  mends: mends.value.length ? mends.value : undefined,
})
const { file, reading, chosen, problem, busy, read, take, attempt } =
  usePictureReading<ScanReading>(
    (picture) =>
      got(api.POST('/api/drawings/scan', { body: form('/api/drawings/scan', told(picture)) })),
    {
      begin(named) {
        mends.value = []
        names.value = []
        quarters.value = 0
        reading.value = null
        title.value = named
      },
    },
  )
function turn() {
  quarters.value = (quarters.value + 1) % 4
  mends.value = []
  void read()
}
function mend(stroke: Stroke) {
  mends.value = [...mends.value, stroke]
  void read()
}
function undo() {
  mends.value = mends.value.slice(0, -1)
  void read()
}
const joinChosen = () =>
  mend({ way: 'join', points: chosen.value.map((at) => reading.value!.areas[at]!.middle as Point) })

function place(event: PointerEvent): Point {
  const box = frame.value!.getBoundingClientRect()
  const { width, height } = reading.value!
  return [
    ((event.clientX - box.left) / box.width) * width,
    ((event.clientY - box.top) / box.height) * height,
  ]
}
function begin(event: PointerEvent) {
  drawn.value = [place(event)]
  frame.value!.setPointerCapture(event.pointerId)
}
const TALL = 56 // hundredths of the window that the picture is high at most
const FINE = 6 // pixels from point to point: a quick hand must leave no thin piece out
function draw(event: PointerEvent) {
  const last = drawn.value.at(-1)
  if (!last) return
  const to = place(event)
  const steps = Math.ceil(Math.hypot(to[0] - last[0], to[1] - last[1]) / FINE)
  for (let n = 1; n <= steps; n++)
    drawn.value.push([
      last[0] + ((to[0] - last[0]) * n) / steps,
      last[1] + ((to[1] - last[1]) * n) / steps,
    ])
}
const MOST = 400 // points of a stroke
function end() {
  const every = Math.ceil(drawn.value.length / MOST)
  const points = drawn.value.filter((_, n) => n % every === 0)
  drawn.value = []
  if (points.length > 1) mend({ way: way.value, points })
}
const line = (points: Point[]) => points.map((point) => point.join()).join(' ')
const lit = (at: number) => pointed.value === at || chosen.value.includes(at)

async function keep() {
  const body = form('/api/drawings/scanned', {
    ...told(file.value),
    name: title.value,
    names: named.value,
  })
  const stored = await attempt(() => got(api.POST('/api/drawings/scanned', { body })))
  if (stored) emit('stored', stored.id, title.value)
}
const named = computed(() => reading.value!.areas.map((_, at) => names.value[at] ?? ''))
</script>

<template>
  <AppDialog title="A photo or scan of your outline" wide @close="emit('close')">
    <div class="mb-3 flex flex-wrap items-center gap-2">
      <PictureButton @file="take">Choose a picture</PictureButton>
      <p class="min-w-60 flex-1 text-xs text-soft">
        The stamped outline by itself, uncoloured, on light paper, as large as it goes. Closed areas
        are found, small gaps in the line are bridged; the picture is not kept.
      </p>
    </div>
    <p v-if="problem" role="alert" class="mb-3 border-l-2 border-ink pl-3">{{ problem }}</p>
    <p v-if="busy" role="status" class="mb-3 text-soft">Looking for areas …</p>
    <div v-if="reading" class="flex flex-wrap gap-5">
      <div class="min-w-80 flex-1">
        <div class="mb-2 flex flex-wrap gap-2" role="group" aria-label="What a stroke does">
          <button type="button" class="button" :aria-pressed="way === 'line'" @click="way = 'line'">
            A stroke closes a gap
          </button>
          <button type="button" class="button" :aria-pressed="way === 'join'" @click="way = 'join'">
            A stroke makes pieces one
          </button>
          <button type="button" class="button" :disabled="!mends.length || busy" @click="undo">
            Undo
          </button>
          <button type="button" class="button" :disabled="busy" @click="turn">
            Turn by a quarter
          </button>
        </div>
        <svg
          ref="frame"
          :viewBox="`0 0 ${reading.width} ${reading.height}`"
          class="block w-full cursor-crosshair touch-none"
          :style="{ maxWidth: `${(TALL * reading.width) / reading.height}vh` }"
          role="img"
          :aria-label="`The outline with ${plural(reading.areas.length, 'area')}`"
          @pointerdown="begin"
          @pointermove="draw"
          @pointerup="end"
        >
          <image :href="reading.picture" :width="reading.width" :height="reading.height" />
          <path
            v-for="(area, at) in reading.areas"
            :key="at"
            :d="area.path"
            class="area"
            :class="{ lit: lit(at) }"
            fill-rule="evenodd"
          />
          <path v-for="one in reading.lines" :key="one" :d="one" class="rest" />
          <g v-for="(one, n) in reading.loose" :key="`loose ${n}`" class="loose">
            <line :x1="one.end[0]" :y1="one.end[1]" :x2="one.onto[0]" :y2="one.onto[1]" />
            <circle :cx="one.end[0]" :cy="one.end[1]" r="11" />
            <text :x="one.end[0]" :y="one.end[1]">{{ n + 1 }}</text>
          </g>
          <polyline v-if="drawn.length" :points="line(drawn)" class="stroke" />
        </svg>
        <p v-if="reading.loose.length" class="mt-2">
          The line stops in {{ plural(reading.loose.length, 'place') }}, the likeliest gaps first:
        </p>
        <p class="mt-1 flex flex-wrap gap-1.5">
          <button
            v-for="(one, n) in reading.loose"
            :key="n"
            type="button"
            class="button"
            :disabled="busy"
            @click="mend({ way: 'line', points: [one.end as Point, one.onto as Point] })"
          >
            Close {{ n + 1 }}
          </button>
        </p>
      </div>
      <form class="flex max-h-[70vh] w-64 flex-col gap-3" @submit.prevent="keep">
        <Field label="Name of the drawing">
          <input v-model="title" class="input" required :maxlength="session.limits?.name" />
        </Field>
        <div class="flex items-center justify-between gap-2">
          <b>{{ plural(reading.areas.length, 'area') }}</b>
          <button
            type="button"
            class="button"
            :disabled="chosen.length < 2 || busy"
            @click="joinChosen"
          >
            The chosen are one
          </button>
        </div>
        <ul class="min-h-0 flex-1 space-y-1 overflow-y-auto">
          <li
            v-for="(_, at) in reading.areas"
            :key="at"
            class="flex items-center gap-2"
            @pointerenter="pointed = at"
            @pointerleave="pointed = null"
          >
            <input
              v-model="chosen"
              type="checkbox"
              :value="at"
              class="size-4 accent-ink"
              :aria-label="`Choose area ${at + 1}`"
            />
            <input
              v-model="names[at]"
              class="input"
              :aria-label="`Name of area ${at + 1}`"
              :placeholder="`area ${at + 1}`"
              maxlength="60"
              @focus="pointed = at"
              @blur="pointed = null"
            />
          </li>
        </ul>
        <button type="submit" class="button button-main" :disabled="busy">
          Keep it as a drawing
        </button>
      </form>
    </div>
  </AppDialog>
</template>

<style scoped>
.area {
  fill: #161616;
  fill-opacity: 0.1;
  stroke: #161616;
  stroke-width: 2;
}
.area.lit {
  fill-opacity: 0.5;
}
.rest,
.stroke {
  fill: none;
  stroke: #6e6e6e;
  stroke-width: 2.5;
}
.stroke {
  stroke: #161616;
  stroke-width: 5;
  stroke-opacity: 0.6;
}
.loose line {
  stroke: #161616;
  stroke-width: 3;
  stroke-dasharray: 6 4;
}
.loose circle {
  fill: #ffffff;
  stroke: #161616;
  stroke-width: 2;
}
.loose text {
  font-size: 14px;
  text-anchor: middle;
  dominant-baseline: central;
  fill: #161616;
}
[aria-pressed='true'] {
  border-color: var(--ink);
  box-shadow: inset 0 0 0 1px var(--ink);
}
</style>
