<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Build } from '@/api/client'
import { foldValues } from '@/api/schema'
import SizeFields, { type Size } from '@/cards/SizeFields.vue'
import AppDialog from '@/ui/AppDialog.vue'
import ChoiceList from '@/ui/ChoiceList.vue'
import { choices } from '@/lib/words'
import MaterialChoice from './MaterialChoice.vue'
import { useBuild } from './build'
import Field from '@/ui/Field.vue'

/** The card's own base: how it is folded and scored, of what it is, and in what it is posted. */
const { build } = defineProps<{ build: Build }>()
const { store } = useBuild()
const sizing = ref(false)
const size = ref<Size>({ width: '', height: '', unit: store.card!.size.unit })
const MATCHING = 'the matching one'
const OWN = 'another size …'
const envelopes = computed(() => {
  const usual = build.envelopes.map((one) => one.words)
  const found = [MATCHING, ...usual]
  if (build.own_envelope && !usual.includes(build.envelope!)) found.push(build.envelope!)
  return [...found, OWN].map((words) => ({ value: words, words }))
})
const envelope = computed(() => (build.own_envelope ? build.envelope! : MATCHING))

function post(event: Event) {
  const { value } = event.target as HTMLInputElement
  void store.change({ kind: 'set_build', post_limit: value === '' ? null : Number(value) })
}
function take(words: string) {
  const usual = build.envelopes.find((one) => one.words === words)
  if (words === OWN) sizing.value = true
  else if (words === MATCHING) void store.change({ kind: 'set_build', envelope: null })
  else if (usual) void store.change({ kind: 'set_build', envelope: usual })
}
async function own() {
  if (await store.change({ kind: 'set_build', envelope: size.value })) sizing.value = false
}
</script>

<template>
  <section aria-label="The base and the post">
    <div class="grid grid-cols-2 gap-3">
      <div>
        <span class="label">Folded</span>
        <ChoiceList
          :model-value="build.fold"
          label="Folded"
          :options="choices(foldValues)"
          @update:model-value="store.change({ kind: 'set_build', fold: $event })"
        />
      </div>
      <div>
        <span class="label">The card itself is made of</span>
        <MaterialChoice
          :material="build.base"
          title="What the card itself is made of"
          :ground="build.ground && build.carrier !== 0"
          @take="store.change({ kind: 'set_build', base: $event })"
          @ground="store.change({ kind: 'set_build', ground_on: 0 })"
        />
      </div>
      <div>
        <span class="label">Envelope</span>
        <ChoiceList
          :model-value="envelope"
          label="Envelope"
          :options="envelopes"
          @update:model-value="take"
        />
      </div>
      <Field label="Thickest that my post takes, mm">
        <input
          class="input"
          type="number"
          min="0.1"
          max="100"
          step="0.1"
          placeholder="not said"
          :value="build.post_limit"
          @change="post($event)"
        />
      </Field>
    </div>
    <dl class="mt-4 grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 text-xs">
      <dt class="text-soft">Base, flat</dt>
      <dd>{{ build.flat }}, scored {{ build.score }}</dd>
      <dt class="text-soft">Thickness</dt>
      <dd>{{ build.thickness.figure }}; {{ build.thickness.reason || 'your post takes it' }}</dd>
      <dt class="text-soft">Envelope</dt>
      <dd>{{ build.envelope ?? 'none of the usual ones is large enough' }}</dd>
    </dl>
    <AppDialog v-if="sizing" title="An envelope of my own" @close="sizing = false">
      <form @submit.prevent="own">
        <SizeFields v-model="size" />
        <button type="submit" class="button button-main mt-4">Take this envelope</button>
      </form>
    </AppDialog>
  </section>
</template>
