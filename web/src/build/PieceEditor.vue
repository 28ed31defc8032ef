<script setup lang="ts">
import { TrashIcon } from '@heroicons/vue/20/solid'
import { computed, ref, watch } from 'vue'
import type { Build, Piece } from '@/api/client'
import { acrossValues, downValues, raisedValues } from '@/api/schema'
import ChoiceList from '@/ui/ChoiceList.vue'
import OnOff from '@/ui/OnOff.vue'
import StatusMark from '@/ui/StatusMark.vue'
import MaterialChoice from './MaterialChoice.vue'
import { useBuild, type Fields } from './build'

/** One piece: what it lies on, how large, where, of what, how raised, and how it fits and stands. */
const { piece, build } = defineProps<{ piece: Piece; build: Build }>()
const { store, edit } = useBuild()
const set = (told: Fields) => edit(piece.key, told)
const name = ref(piece.name)
const reveal = ref('')
const width = ref('')
const height = ref('')
watch(
  () => [piece.size, piece.reveal],
  () => {
    reveal.value = piece.reveal ? `${piece.reveal} ${piece.reveal_unit}` : ''
    const sides = piece.size.replace(/ (in|mm)$/, '').split(' × ')
    width.value = sides[0]!
    height.value = sides[1]!
  },
  { immediate: true },
)
const offset = (side: 'right' | 'below', event: Event) =>
  set({ [side]: (event.target as HTMLInputElement).value || '0' })
const list = <T extends string>(values: readonly T[]) =>
  values.map((value) => ({ value, words: value }))
const others = computed(() => [
  { value: 0, words: 'the card' },
  ...build.pieces
    .filter((one) => one.key !== piece.key)
    .map((one) => ({ value: one.key, words: one.name })),
])
const at = computed(() => build.pieces.findIndex((one) => one.key === piece.key))
const move = (to: number) => store.change({ kind: 'move_piece', key: piece.key, to })
</script>

<template>
  <section class="panel min-w-0 p-4" :aria-label="`The piece ${piece.name}`">
    <div class="mb-3 flex gap-2">
      <input
        v-model="name"
        class="input font-title !text-base font-semibold"
        aria-label="Name of the piece"
        maxlength="500"
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
    <div class="grid grid-cols-2 gap-3">
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
        <span class="label">Of</span>
        <MaterialChoice :piece="piece" @take="set({ material: $event })" />
      </div>
      <form @submit.prevent>
        <label class="label" for="piece-reveal">Reveal on every side</label>
        <input
          id="piece-reveal"
          v-model="reveal"
          class="input"
          placeholder="1/8, 3 mm …"
          @change="reveal && set({ reveal })"
        />
      </form>
      <form class="grid grid-cols-2 gap-2" @submit.prevent="set({ width, height })">
        <div>
          <label class="label" for="piece-width">Width, {{ store.card!.size.unit }}</label>
          <input id="piece-width" v-model="width" class="input" />
        </div>
        <div>
          <label class="label" for="piece-height">Height</label>
          <input id="piece-height" v-model="height" class="input" />
        </div>
        <button
          v-if="`${width} × ${height} ${store.card!.size.unit}` !== piece.size"
          type="submit"
          class="button col-span-2"
        >
          Take this size
        </button>
      </form>
      <div>
        <span class="label">From left to right</span>
        <ChoiceList
          :model-value="piece.across"
          label="From left to right"
          :options="list(acrossValues)"
          @update:model-value="set({ across: $event })"
        />
      </div>
      <div>
        <span class="label">From top to bottom</span>
        <ChoiceList
          :model-value="piece.down"
          label="From top to bottom"
          :options="list(downValues)"
          @update:model-value="set({ down: $event })"
        />
      </div>
      <div>
        <label class="label" for="piece-right">Then right by (− left)</label>
        <input
          id="piece-right"
          class="input"
          placeholder="no offset"
          :value="piece.right"
          @change="offset('right', $event)"
        />
      </div>
      <div>
        <label class="label" for="piece-below">Then down by (− up)</label>
        <input
          id="piece-below"
          class="input"
          placeholder="no offset"
          :value="piece.below"
          @change="offset('below', $event)"
        />
      </div>
      <div>
        <span class="label">Held by</span>
        <ChoiceList
          :model-value="piece.raised"
          label="Held by"
          :options="list(raisedValues)"
          @update:model-value="set({ raised: $event })"
        />
      </div>
      <div class="space-y-1.5 self-end">
        <OnOff :model-value="piece.trimmed" @update:model-value="set({ trimmed: $event })"
          >Trim at the card’s edge</OnOff
        >
        <OnOff :model-value="piece.tucked" @update:model-value="set({ tucked: $event })"
          >Tuck under its neighbours</OnOff
        >
      </div>
    </div>
    <div class="mt-3 flex gap-2">
      <button type="button" class="button" :disabled="at === 0" @click="move(at - 1)">
        Further down
      </button>
      <button
        type="button"
        class="button"
        :disabled="at === build.pieces.length - 1"
        @click="move(at + 1)"
      >
        Further up
      </button>
    </div>
    <ul class="mt-4 space-y-2">
      <li class="flex gap-2.5">
        <StatusMark :status="piece.fit.status" />
        <p>
          <b>{{ piece.fit.status === 'holds' ? 'It fits' : 'It' }}</b>
          {{ piece.fit.reason }}
          <span class="block text-xs text-soft">{{ piece.fit.figure }}</span>
        </p>
      </li>
      <li v-if="piece.stands" class="flex gap-2.5">
        <StatusMark :status="piece.stands.status" />
        <p>
          <b>Beside {{ piece.beside }}</b>
          {{ piece.stands.status === 'holds' ? 'it stands' : `it ${piece.stands.reason}` }}
          <span class="block text-xs text-soft">
            {{ piece.stands.figure
            }}{{ piece.stands.status === 'holds' ? '' : `, wants ${piece.stands.limit}` }}
          </span>
        </p>
      </li>
    </ul>
  </section>
</template>
