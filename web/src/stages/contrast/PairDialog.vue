<script setup lang="ts">
import { computed, ref } from 'vue'
import type { MendableEnd, Pair, PairKind } from '@/api/client'
import { useCard } from '@/card/card'
import { useSession } from '@/lib/session'
import AppDialog from '@/ui/AppDialog.vue'
import ChoiceList from '@/ui/ChoiceList.vue'
import FindColour, { type Picked } from '@/ui/FindColour.vue'
import { useNotices } from '@/lib/notices'

/** Say what lies on what, or change it. */
const { pair } = defineProps<{ pair?: Pair }>()
const emit = defineEmits<{ close: [] }>()
const store = useCard()
const session = useSession()
const notices = useNotices()
const KINDS: { value: PairKind; words: string; upper: string; lower: string }[] = [
  { value: 'small-lettering', words: 'small or running lettering', upper: 'Words in', lower: 'on' },
  { value: 'large-lettering', words: 'large, bold lettering', upper: 'Words in', lower: 'on' },
  { value: 'picture', words: 'a picture on its ground', upper: 'Picture in', lower: 'on' },
  { value: 'mat', words: 'a mat around a panel', upper: 'Mat in', lower: 'around' },
  {
    value: 'quiet-pattern',
    words: 'a quiet pattern in the ground',
    upper: 'Pattern in',
    lower: 'on',
  },
]
const kind = ref<PairKind>(pair?.kind ?? 'small-lettering')
const words = computed(() => KINDS.find((one) => one.value === kind.value)!)
// Supplies that stand in a pair already or were just found, beside the palette and white.
const supplies = ref(
  [pair?.upper, pair?.lower]
    .filter((end) => end?.source === 'supply')
    .map((end) => ({ value: `supply ${end!.id}`, words: end!.words, shade: end!.shades.colour })),
)
const options = computed(() => [
  ...store.card!.colours.map((colour, n) => ({
    value: `palette ${colour.key}`,
    words: `${n + 1} ${colour.name}`,
    shade: colour.shades[session.view],
  })),
  { value: 'white 0', words: 'white card', shade: '#f2f2f2' },
  ...supplies.value,
  { value: 'find', words: 'another colour …' },
])
const code = (end: { source: string; id: number }) => `${end.source} ${end.id}`
const upper = ref(pair ? code(pair.upper) : options.value[0]!.value)
const lower = ref(pair ? code(pair.lower) : 'white 0')
const finding = ref<'upper' | 'lower' | null>(null)

function set(which: 'upper' | 'lower', value: string) {
  if (value === 'find') finding.value = which
  else if (which === 'upper') upper.value = value
  else lower.value = value
}
function found(picked: Picked) {
  if (!('swatch' in picked)) {
    notices.show('Choose a colour of a range here; add a value to the palette first.')
    return
  }
  const value = `supply ${picked.swatch.id}`
  supplies.value.push({
    value,
    words: `${picked.swatch.range_name} ${picked.swatch.label}`,
    shade: picked.swatch.shades.colour,
  })
  set(finding.value!, value)
  finding.value = null
}
function end(value: string): MendableEnd {
  const [source, id] = value.split(' ')
  return { source: source as MendableEnd['source'], id: Number(id) }
}
async function save() {
  const ends = { upper: end(upper.value), lower: end(lower.value), pair_kind: kind.value }
  const done = await store.change(
    pair
      ? { kind: 'edit_pair', key: pair.key, ...ends }
      : { kind: 'add_pair', ...ends, outlined: false },
  )
  if (done) emit('close')
}
</script>

<template>
  <AppDialog v-if="finding" title="Find a colour" @close="finding = null">
    <FindColour @pick="found" @leave="finding = null" />
  </AppDialog>
  <AppDialog
    v-else
    :title="pair ? 'Change what lies on what' : 'What lies on what'"
    @close="$emit('close')"
  >
    <form class="space-y-3" @submit.prevent="save">
      <div>
        <span class="label">What it is</span>
        <ChoiceList v-model="kind" label="What it is" :options="KINDS" />
      </div>
      <div>
        <span class="label">{{ words.upper }}</span>
        <ChoiceList
          :model-value="upper"
          label="Upper colour"
          :options="options"
          @update:model-value="(value) => set('upper', value)"
        />
      </div>
      <div>
        <span class="label">{{ words.lower }}</span>
        <ChoiceList
          :model-value="lower"
          label="Lower colour"
          :options="options"
          @update:model-value="(value) => set('lower', value)"
        />
      </div>
      <button type="submit" class="button button-main !mt-5">
        {{ pair ? 'Save' : 'Add the pair' }}
      </button>
    </form>
  </AppDialog>
</template>
