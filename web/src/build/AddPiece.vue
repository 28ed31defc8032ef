<script setup lang="ts">
import { ref } from 'vue'
import type { Build } from '@/api/client'
import { pieceKindValues } from '@/api/schema'
import AppDialog from '@/ui/AppDialog.vue'
import ChoiceList from '@/ui/ChoiceList.vue'
import { useBuild } from './build'

/** One more piece: with a reveal it follows what it lies on, else it has a size of its own. */
const { build } = defineProps<{ build: Build }>()
const emit = defineEmits<{ close: [] }>()
const { store, add } = useBuild()
const kind = ref<(typeof pieceKindValues)[number]>('mat')
const name = ref('')
const on = ref(build.pieces.at(-1)?.key ?? 0)
const reveal = ref(store.card!.size.unit === 'in' ? '1/8' : '3')
const width = ref('')
const height = ref('')

async function submit() {
  const size = width.value || height.value
  const measured = size ? { width: width.value, height: height.value } : { reveal: reveal.value }
  const told = { piece_kind: kind.value, name: name.value || kind.value, on: on.value }
  if (await add({ ...told, ...measured })) emit('close')
}
</script>

<template>
  <AppDialog title="Add a piece" @close="$emit('close')">
    <form class="grid grid-cols-2 gap-3" @submit.prevent="submit">
      <div>
        <span class="label">What it is</span>
        <ChoiceList
          v-model="kind"
          label="What it is"
          :options="pieceKindValues.map((value) => ({ value, words: value }))"
        />
      </div>
      <div>
        <label class="label" for="new-piece">Name (or leave it)</label>
        <input id="new-piece" v-model="name" class="input" maxlength="500" :placeholder="kind" />
      </div>
      <div>
        <span class="label">Lies on</span>
        <ChoiceList
          v-model="on"
          label="Lies on"
          :options="[
            { value: 0, words: 'the card' },
            ...build.pieces.map((one) => ({ value: one.key, words: one.name })),
          ]"
        />
      </div>
      <div>
        <label class="label" for="new-reveal">Reveal on every side</label>
        <input id="new-reveal" v-model="reveal" class="input" />
      </div>
      <div>
        <label class="label" for="new-width">or width, {{ store.card!.size.unit }}</label>
        <input id="new-width" v-model="width" class="input" />
      </div>
      <div>
        <label class="label" for="new-height">and height</label>
        <input id="new-height" v-model="height" class="input" />
      </div>
      <button type="submit" class="button button-main col-span-2 justify-self-start">
        Add the piece
      </button>
    </form>
  </AppDialog>
</template>
