<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, form, got, type Swatch, type WhichAnswer } from '@/api/client'
import { mediumValues } from '@/api/schema'
import SwatchShape from '@/drawing/SwatchShape.vue'
import { useFetched } from '@/lib/fetched'
import { percent } from '@/lib/words'
import ChoiceList from '@/ui/ChoiceList.vue'
import PictureButton from '@/ui/PictureButton.vue'
import FindColour, { type Picked } from '@/ui/FindColour.vue'
import PhotoFrame, { type Box } from '@/ui/PhotoFrame.vue'
import TheFigure from '@/ui/TheFigure.vue'

/** Which was it? A colour is marked in a photo of a card, and what it may have been is told. */
const route = useRoute()
const record = computed(() => Number(route.query.record) || undefined)
const { data: made } = useFetched([record], () =>
  record.value
    ? got(api.GET('/api/records/{id}', { params: { path: { id: record.value } } }))
    : null,
)
const file = shallowRef<File>()
const photo = ref<number>()
watch(made, (found) => (photo.value ??= found?.photos[0]?.id))
const box = ref<Box | null>(null)
const known = ref<Box | null>(null)
const colour = ref<Swatch>()
const active = ref<'box' | 'known'>('box')
const medium = ref<Swatch['medium'] | ''>('')
const last = ref<WhichAnswer | null>(null)
const { data, problem, busy } = useFetched([file, photo, box, known, colour, medium, record], () =>
  file.value || photo.value
    ? got(
        api.POST('/api/which', {
          body: form('/api/which', {
            file: file.value,
            photo: file.value ? undefined : photo.value,
            record: record.value,
            box: box.value,
            known: known.value,
            colour: colour.value?.id,
            medium: medium.value,
          }),
        }),
      )
    : null,
)
watch(data, (found) => found && (last.value = found))
function take(picture: File) {
  file.value = picture
  box.value = known.value = last.value = null
}
function choose(pk: number) {
  file.value = undefined
  photo.value = pk
  box.value = known.value = last.value = null
}
function mark(drawn: Box) {
  if (active.value === 'box') box.value = drawn
  else known.value = drawn
}
function say(picked: Picked) {
  if ('swatch' in picked) colour.value = picked.swatch
}
const corners = ({ left, top, width, height }: Box): [number, number][] => [
  [left, top],
  [left + width, top],
  [left + width, top + height],
  [left, top + height],
]
const frames = computed(() => {
  const found: { key: string; words: string; corners: [number, number][] }[] = []
  const light = last.value?.known
  if (light) {
    const words = colour.value?.label ?? (known.value ? 'white' : 'taken for white')
    found.push({ key: 'known', words, corners: corners(light) })
  }
  if (box.value) found.push({ key: 'box', words: 'which was it?', corners: corners(box.value) })
  return found
})
const KNOWN = {
  noted: 'recorded for this card',
  used: 'used before',
  owned: 'in my drawer',
  other: 'not mine',
}
const media = [
  { value: '' as const, words: 'anything' },
  ...mediumValues.map((value) => ({ value, words: value })),
]
const back = computed(() => (record.value ? `/log/${record.value}` : '/log'))
</script>

<template>
  <main class="overflow-y-auto p-6 small:p-3">
    <header class="head">
      <RouterLink :to="back" class="button">{{
        record ? 'Back to the record' : 'Back to the log'
      }}</RouterLink>
      <h1 class="min-w-0 flex-1 text-xl max-sm:order-first max-sm:basis-full">
        Which was it?<span v-if="made" class="ml-3 text-base font-normal text-soft">{{
          made.name
        }}</span>
      </h1>
      <PictureButton @file="take">{{ last ? 'Another photo' : 'Choose a photo' }}</PictureButton>
    </header>
    <ul v-if="made && made.photos.length > 1" class="mb-3 flex gap-2" aria-label="Photos of it">
      <li v-for="(one, n) in made.photos" :key="one.id">
        <button type="button" :aria-pressed="!file && photo === one.id" @click="choose(one.id)">
          <img :src="one.address" :alt="`Photo ${n + 1}`" class="h-14 border border-line" />
        </button>
      </li>
    </ul>
    <p v-if="!file && !photo" class="max-w-[60ch]">
      Choose a photo of the card, with something white in it if there is: the paper, the envelope.
      Then draw a frame on the colour that you ask for. What you once recorded comes first, then
      what you used before and what you own.
    </p>
    <p v-if="problem" role="alert" class="mb-3 border-l-2 border-ink pl-3">{{ problem }}</p>
    <p v-if="busy && !last" class="text-soft">Looking at the photo …</p>
    <div v-if="last" class="flex flex-wrap gap-6">
      <div class="w-full max-w-[460px]">
        <PhotoFrame
          :src="last.preview"
          :width="last.width"
          :height="last.height"
          :box="active === 'box' ? box : known"
          :words="active === 'box' ? 'the colour that I ask for' : 'what is white, or known'"
          :frames="frames"
          @mark="mark"
        />
        <div class="mt-3 flex flex-wrap items-end gap-3">
          <div>
            <span class="label">The frame I draw is on</span>
            <ChoiceList
              v-model="active"
              class="w-[230px]"
              label="The frame I draw is on"
              :options="[
                { value: 'box', words: 'the colour that I ask for' },
                { value: 'known', words: 'what is white, or known' },
              ]"
            />
          </div>
          <div>
            <span class="label">It was</span>
            <ChoiceList v-model="medium" class="w-[180px]" label="It was" :options="media" />
          </div>
        </div>
        <div v-if="known" class="mt-3">
          <p class="mb-1 text-xs">
            What is framed there is
            <template v-if="colour"
              ><b>{{ colour.label }}</b> of {{ colour.range_name }}.
              <button type="button" class="underline" @click="colour = undefined">
                No, it is white
              </button></template
            ><template v-else>white card, or a colour that is known:</template>
          </p>
          <FindColour v-if="!colour" @pick="say" />
        </div>
        <p class="mt-3 text-xs text-soft">
          <template v-if="last.known">The light is taken out by what is white or known.</template>
          <template v-else
            >Nothing white was found, so the light is taken as it is; mark something white, or a
            colour that is known.</template
          >
          A photo tells colours only roughly.
          <TheFigure tip :text="`known to about ΔE ${last.uncertainty.toFixed(0)}`" />
        </p>
      </div>
      <section
        v-if="last.hex"
        class="min-w-72 flex-1"
        aria-labelledby="guesses"
        :class="busy && 'opacity-60'"
      >
        <div class="mb-3 flex items-center gap-3">
          <span class="size-12 rounded-data border border-line" :style="{ background: last.hex }" />
          <span
            >What the frame shows
            <TheFigure tip :text="`L* ${last.lab[0]}, a* ${last.lab[1]}, b* ${last.lab[2]}`" />
            <span v-if="last.uneven" class="block text-xs"
              >The frame is not of one colour: draw it smaller.</span
            ></span
          >
        </div>
        <h2 id="guesses" class="mb-2 text-base">It may have been</h2>
        <p v-if="!last.guesses.length">Nothing that is known is near this colour.</p>
        <ol class="space-y-1.5">
          <li
            v-for="one in last.guesses"
            :key="one.swatch.id"
            class="panel flex items-center gap-3 p-2"
          >
            <SwatchShape :swatch="one.swatch" class="h-9 w-12 shrink-0" />
            <span class="min-w-0 flex-1">
              <RouterLink :to="`/match/${one.swatch.id}`" class="font-semibold underline">{{
                one.swatch.label
              }}</RouterLink>
              <span class="block text-xs">
                {{ one.swatch.range_name }}, {{ one.swatch.medium }}; {{ KNOWN[one.known]
                }}{{ one.layers > 1 ? `; in ${one.layers} layers` : '' }}
              </span>
            </span>
            <span class="text-right"
              ><b>{{ percent(one.sure) }}</b>
              <TheFigure class="block" :text="`ΔE ${one.distance.toFixed(1)}`"
            /></span>
          </li>
        </ol>
        <p class="mt-3 text-xs text-soft">
          How sure is predicted from how far each is off, how well a photo can know it, and what you
          wrote down. Only a swatch laid beside the card proves it.
        </p>
      </section>
    </div>
  </main>
</template>
