<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, got, type Build } from '@/api/client'
import { pieceKindValues } from '@/api/schema'
import AppDialog from '@/ui/AppDialog.vue'
import ChoiceList from '@/ui/ChoiceList.vue'
import { useFetched } from '@/lib/fetched'
import { useSession } from '@/lib/session'
import { choices, inWords } from '@/lib/words'
import { useBuild } from './build'
import Field from '@/ui/Field.vue'

/** One more piece: with a reveal it follows what it lies on, else it has a size of its own. */
const { build, inside } = defineProps<{ build: Build; inside: boolean }>()
const emit = defineEmits<{ close: [] }>()
const { store, add } = useBuild()
const face = computed(() => (inside ? build.inside : build.pieces))
const kind = ref<(typeof pieceKindValues)[number]>('mat')
const session = useSession()
const saysWords = computed(() => session.limits?.word_kinds.includes(kind.value))
const name = ref('')
// Patterned paper begins as the sheet that was used last: on this card, else of those that are measured.
const { data: papers } = useFetched(
  () => kind.value === 'patterned-paper',
  () =>
    kind.value === 'patterned-paper'
      ? got(api.GET('/api/papers')).then((all) => all.filter((one) => !one.put_by && one.width))
      : null,
)
const lastSheet = computed(
  () =>
    [...build.pieces, ...build.inside]
      .sort((one, other) => other.key - one.key)
      .find((one) => one.material.source === 'sheet')?.material.id,
)
const chosen = ref<number>()
const sheet = computed(() => chosen.value ?? lastSheet.value ?? papers.value?.[0]?.id)
const text = ref('')
const picture = ref(build.pictures[0]!.key)
// What words or pictures stand on is seldom meant: the uppermost mat or panel is, but no frame, else the card.
const carriers = computed(() => face.value.filter((one) => one.carries))
const wide = carriers.value.filter(
  (one) => !one.rim && (one.kind === 'mat' || one.kind === 'panel'),
)
const on = ref(wide.at(-1)?.key ?? 0)
const reveal = ref(build.edge)
const width = ref('')
const height = ref('')

async function submit() {
  const size = width.value || height.value
  const measured = size ? { width: width.value, height: height.value } : { reveal: reveal.value }
  const told = {
    piece_kind: kind.value,
    name: name.value || inWords(kind.value),
    on: on.value,
    inside,
  }
  const words = saysWords.value ? { text: text.value } : {}
  const shown = kind.value === 'image' ? { picture: picture.value } : {}
  const cut =
    kind.value === 'patterned-paper' && sheet.value
      ? { material: { source: 'sheet' as const, id: sheet.value } }
      : {}
  if (await add({ ...told, ...cut, ...words, ...shown, ...measured })) {
    store.piece = store.card!.newest_piece
    emit('close')
  }
}
</script>

<template>
  <AppDialog :title="inside ? 'Add a piece inside' : 'Add a piece'" @close="$emit('close')">
    <form class="grid grid-cols-2 gap-3" @submit.prevent="submit">
      <div>
        <span class="label">What it is</span>
        <ChoiceList v-model="kind" label="What it is" :options="choices(pieceKindValues)" />
      </div>
      <Field label="Name (or leave it)">
        <input
          v-model="name"
          class="input"
          :maxlength="session.limits?.name"
          :placeholder="inWords(kind)"
        />
      </Field>
      <Field v-if="saysWords" label="What does it say? (It can stay open.)" class="col-span-2">
        <input v-model="text" class="input" :maxlength="session.limits?.words" />
      </Field>
      <div v-if="kind === 'patterned-paper' && papers?.length" class="col-span-2">
        <span class="label">Cut out of</span>
        <ChoiceList
          :model-value="sheet!"
          label="Cut out of"
          :options="papers.map((one) => ({ value: one.id, words: one.title }))"
          @update:model-value="chosen = $event"
        />
      </div>
      <div v-if="kind === 'image' && build.pictures.length > 1" class="col-span-2">
        <span class="label">It shows</span>
        <ChoiceList
          v-model="picture"
          label="It shows"
          :options="build.pictures.map((one) => ({ value: one.key, words: one.name }))"
        />
      </div>
      <div>
        <span class="label">Lies on</span>
        <ChoiceList
          v-model="on"
          label="Lies on"
          :options="[
            { value: 0, words: 'the card' },
            ...carriers.map((one) => ({ value: one.key, words: one.name })),
          ]"
        />
      </div>
      <Field label="Frame that shows all around">
        <input v-model="reveal" class="input" />
      </Field>
      <Field :label="`or width, ${store.card!.size.unit}`">
        <input v-model="width" class="input" />
      </Field>
      <Field label="and height">
        <input v-model="height" class="input" />
      </Field>
      <button type="submit" class="button button-main col-span-2 justify-self-start">
        Add the piece
      </button>
    </form>
  </AppDialog>
</template>
