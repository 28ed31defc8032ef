<script setup lang="ts">
import { TrashIcon } from '@heroicons/vue/20/solid'
import { computed, ref, watch } from 'vue'
import type { Build, MendableEnd, Piece } from '@/api/client'
import { acrossValues, downValues, makingValues, raisedValues } from '@/api/schema'
import CheckItem from '@/card/CheckItem.vue'
import { HANDS } from '@/lib/laid'
import { useNotices } from '@/lib/notices'
import { useSession } from '@/lib/session'
import TheFigure from '@/ui/TheFigure.vue'
import ChoiceList from '@/ui/ChoiceList.vue'
import OnOff from '@/ui/OnOff.vue'
import StatusMark from '@/ui/StatusMark.vue'
import { choices } from '@/lib/words'
import MaterialChoice from './MaterialChoice.vue'
import PatternFields from './PatternFields.vue'
import ShapeFields from './ShapeFields.vue'
import { checksOn, useBuild, type Fields } from './build'
import WordTip from '@/words/WordTip.vue'
import Field from '@/ui/Field.vue'

/** One piece: what it lies on, how large, where, of what, how raised, and how it fits and stands. */
const { piece, face, build } = defineProps<{ piece: Piece; face: Piece[]; build: Build }>()
const { store, edit } = useBuild()
const session = useSession()
const notices = useNotices()
const set = (told: Fields) => edit(piece.key, told)
const UNSAID = 'unsaid'
const WAYS = [{ value: UNSAID, words: 'not said' }, ...choices(makingValues)]
const name = ref(piece.name)
const text = ref(piece.text)
const reveal = ref('')
const width = ref('')
const height = ref('')
const said = computed(() => ({
  reveal: piece.reveal ? `${piece.reveal} ${piece.reveal_unit}` : '',
  width: piece.width,
  height: piece.height,
}))
// A field that somebody types into keeps what is typed when another is answered.
watch(
  said,
  (now, before) => {
    if (reveal.value === (before?.reveal ?? '')) reveal.value = now.reveal
    if (width.value === (before?.width ?? '')) width.value = now.width
    if (height.value === (before?.height ?? '')) height.value = now.height
  },
  { immediate: true },
)
/** Saved as it is said; what a side is not changed to stays as it is. */
function size() {
  if (width.value && height.value) void set({ width: width.value, height: height.value })
}
const offset = (side: 'right' | 'below', event: Event) =>
  set({ [side]: (event.target as HTMLInputElement).value || '0' })
const others = computed(() => [
  { value: 0, words: 'the card' },
  ...face
    .filter((one) => one.carries && one.key !== piece.key)
    .map((one) => ({ value: one.key, words: one.name })),
])
const at = computed(() => face.findIndex((one) => one.key === piece.key))
const move = (to: number) => store.change({ kind: 'move_piece', key: piece.key, to })
const checks = computed(() => checksOn(piece.key, store.card!.checks))
const carries = computed(() => build.carrier === piece.key)
const onFront = computed(() => build.pieces.some((one) => one.key === piece.key))

/** What carries the ground is of the ground's card, wherever that is said. */
function of(material: MendableEnd) {
  if (!carries.value) return set({ material, inked: null })
  if (material.source === 'palette')
    return notices.show('The ground is laid on a card of your supplies, or on white card.')
  return store.change({
    kind: 'set_ground',
    paper: material.source === 'supply' ? material.id : null,
  })
}
</script>

<template>
  <section class="panel min-w-0 p-4" :aria-label="`The piece ${piece.name}`">
    <div class="mb-3 flex gap-2">
      <input
        v-model="name"
        class="input font-title !text-base font-semibold"
        aria-label="Name of the piece"
        :maxlength="session.limits?.name"
        @change="set({ name })"
      />
      <button
        type="button"
        class="button button-plain"
        :aria-label="`Take ${piece.name} away`"
        @click="store.change({ kind: 'remove_piece', key: piece.key })"
      >
        <TrashIcon class="size-4" aria-hidden="true" />
      </button>
    </div>
    <div class="mb-3 flex flex-wrap gap-1.5">
      <button
        v-if="!piece.is_ink"
        type="button"
        class="button !px-2 !text-xs"
        :disabled="store.busy"
        @click="store.change({ kind: 'mat_under', key: piece.key, material: piece.mat })"
      >
        A mat under this
      </button>
      <button
        v-for="mirrored in [false, true]"
        :key="String(mirrored)"
        type="button"
        class="button !px-2 !text-xs"
        :disabled="store.busy"
        @click="store.change({ kind: 'copy_pieces', keys: [piece.key], mirrored })"
      >
        {{ mirrored ? 'Copy, mirrored' : 'Copy' }}
      </button>
    </div>
    <div class="grid grid-cols-2 gap-3">
      <div v-if="piece.picture !== null" class="col-span-2 flex items-end gap-3">
        <div class="min-w-0 flex-1">
          <span class="label">It shows</span>
          <ChoiceList
            :model-value="piece.picture"
            label="It shows"
            :options="build.pictures.map((one) => ({ value: one.key, words: one.name }))"
            @update:model-value="set({ picture: $event })"
          />
        </div>
        <OnOff :model-value="piece.mirrored" @update:model-value="set({ mirrored: $event })"
          >Mirrored</OnOff
        >
      </div>
      <div v-if="piece.is_made" class="col-span-2">
        <span class="label">Made how</span>
        <ChoiceList
          :model-value="piece.made ?? UNSAID"
          label="Made how"
          :options="WAYS"
          @update:model-value="set({ made: $event === UNSAID ? null : ($event as 'pen') })"
        />
      </div>
      <div v-if="piece.says_words" class="col-span-2 flex items-end gap-3">
        <Field label="What does it say?" class="min-w-0 flex-1">
          <input
            v-model="text"
            class="input"
            :maxlength="session.limits?.words"
            placeholder="nothing yet"
            @change="set({ text })"
          />
        </Field>
        <OnOff class="pb-1.5" :model-value="piece.bold" @update:model-value="set({ bold: $event })"
          >Bold</OnOff
        >
      </div>
      <div>
        <span class="label">Lies on</span>
        <ChoiceList
          :model-value="piece.on"
          label="Lies on"
          :options="others"
          @update:model-value="set({ on: $event })"
        />
      </div>
      <div>
        <span class="label">Made of</span>
        <MaterialChoice
          :material="piece.material"
          :title="`What ${piece.name} is made of`"
          :ground="build.ground && onFront && !carries"
          :inkable="piece.of_card && !carries"
          :of-sheet="piece.of_sheet && !carries"
          @take="of"
          @sheet="set({ material: { source: 'sheet', id: $event }, inked: null })"
          @ink="set({ inked: { colour: $event, hand: 'middle', coats: 1 } })"
          @ground="store.change({ kind: 'set_build', ground_on: piece.key })"
        />
      </div>
      <div v-if="piece.inked" class="col-span-2 flex flex-wrap items-end gap-2">
        <div class="w-36">
          <span class="label">Inked with a hand</span>
          <ChoiceList
            :model-value="piece.inked.hand"
            label="Inked with a hand"
            :options="HANDS"
            @update:model-value="set({ inked: { ...piece.inked, hand: $event } })"
          />
        </div>
        <button type="button" class="button button-plain" @click="set({ inked: null })">
          Leave it bare
        </button>
        <p class="pb-2 text-xs text-soft">
          a prediction; try it on a scrap
          <TheFigure v-if="piece.inked_uncertainty" tip :text="`± ${piece.inked_uncertainty}`" />
        </p>
      </div>
      <p v-if="carries" class="col-span-2 text-xs text-soft">
        The ground is on it: it is cut of the ground’s card.
        <button
          v-if="build.ground_said"
          type="button"
          class="cursor-pointer underline"
          @click="store.change({ kind: 'set_build', ground_on: null })"
        >
          Put it back on the first panel
        </button>
      </p>
      <form @submit.prevent>
        <span class="label"
          ><label for="piece-reveal">Frame that shows all around</label><WordTip word="reveal"
        /></span>
        <input
          id="piece-reveal"
          v-model="reveal"
          class="input"
          placeholder="1/8, 3 mm …"
          @change="reveal && set({ reveal })"
        />
      </form>
      <form class="grid grid-cols-2 gap-2" @submit.prevent>
        <Field :label="`Width, ${store.card!.size.unit}`">
          <input v-model="width" class="input" @change="size" />
        </Field>
        <Field label="Height">
          <input v-model="height" class="input" @change="size" />
        </Field>
      </form>
      <div>
        <span class="label">From left to right</span>
        <ChoiceList
          :model-value="piece.across"
          label="From left to right"
          :options="choices(acrossValues)"
          @update:model-value="set({ across: $event })"
        />
      </div>
      <div>
        <span class="label">From top to bottom</span>
        <ChoiceList
          :model-value="piece.down"
          label="From top to bottom"
          :options="choices(downValues)"
          @update:model-value="set({ down: $event })"
        />
      </div>
      <Field label="Moved right (− left)">
        <input
          class="input"
          placeholder="not moved"
          :value="piece.right"
          @change="offset('right', $event)"
        />
      </Field>
      <Field label="Moved down (− up)">
        <input
          class="input"
          placeholder="not moved"
          :value="piece.below"
          @change="offset('below', $event)"
        />
      </Field>
      <div v-if="!piece.is_ink">
        <span class="label">Held by</span>
        <ChoiceList
          :model-value="piece.raised"
          label="Held by"
          :options="choices(raisedValues)"
          @update:model-value="set({ raised: $event })"
        />
      </div>
      <div class="space-y-1.5 self-end">
        <OnOff :model-value="piece.trimmed" @update:model-value="set({ trimmed: $event })"
          >Trim at the card’s edge</OnOff
        >
        <OnOff :model-value="piece.tucked" @update:model-value="set({ tucked: $event })"
          >Ends slid under what is beside it</OnOff
        >
        <OnOff
          v-if="piece.kind === 'image'"
          :model-value="piece.stamped"
          @update:model-value="set({ stamped: $event })"
          >Stamped straight on it, not cut out</OnOff
        >
        <OnOff
          v-if="piece.kind === 'image' && !piece.stamped"
          :model-value="piece.white_edge"
          @update:model-value="set({ white_edge: $event })"
          >White edge left around it</OnOff
        >
      </div>
    </div>
    <PatternFields v-if="piece.pattern" class="mt-3" :piece="piece" :pattern="piece.pattern" />
    <ShapeFields class="mt-3" :piece="piece" :build="build" />
    <div class="mt-3 flex flex-wrap gap-2">
      <button type="button" class="button" :disabled="at === 0" @click="move(at - 1)">
        Further down
      </button>
      <button type="button" class="button" :disabled="at === face.length - 1" @click="move(at + 1)">
        Further up
      </button>
      <RouterLink class="button" :to="{ query: { view: 'instead' } }">Something else …</RouterLink>
    </div>
    <ul class="mt-4 space-y-3">
      <li v-if="piece.fit.status === 'holds'" class="flex gap-2.5">
        <StatusMark :status="piece.fit.status" />
        <p>
          <b>It fits</b> {{ piece.fit.reason }}
          <span class="block text-xs text-soft">{{ piece.fit.figure }}</span>
          <span v-if="piece.lies" class="block text-xs text-soft">{{ piece.lies }}</span>
        </p>
      </li>
      <li v-for="check in checks" :key="check.id"><CheckItem :check="check" /></li>
    </ul>
  </section>
</template>
