<script setup lang="ts">
import { useSession } from '@/lib/session'
import { computed } from 'vue'
import type { Range } from '@/api/client'
import { mediumValues, surfaceValues } from '@/api/schema'
import ChoiceList from '@/ui/ChoiceList.vue'
import Field from '@/ui/Field.vue'

const session = useSession()

/** What a range is, apart from its colours. */
export type Fields = {
  name: string
  maker: string
  medium: Range['medium'] | '' // blank: not said yet
  note: string
  properties?: Range['properties']
}
const fields = defineModel<Fields>({ required: true })
const media = mediumValues.map((value): { value: Fields['medium']; words: string } => ({
  value,
  words: value,
}))
const properties = computed(() => fields.value.properties)
const sayable = computed(() => session.medium(fields.value.medium)?.properties ?? [])
const LAYERS = [
  { value: 0, words: 'as usual for it' },
  ...Array.from({ length: 9 }, (_, n) => ({ value: n + 1, words: String(n + 1) })),
]
const SURFACES = [
  { value: '', words: 'not said' },
  ...surfaceValues.map((value) => ({ value, words: value })),
]
const TRAITS = [
  ['solvent_proof', 'As line ink: alcohol does not dissolve it'],
  ['waterproof', 'As line ink: waterproof once dry'],
  ['slow', 'As line ink: stays open for hours'],
  ['metallic', 'Metallic: its colour turns with the light'],
] as const
type Properties = NonNullable<Range['properties']>
const ANSWERS = [
  { value: '', words: 'as usual for it', means: undefined },
  { value: 'yes', words: 'yes', means: true },
  { value: 'no', words: 'no', means: false },
]
function say(told: Properties) {
  // What is not said is left out: then it behaves as its medium usually does.
  fields.value.properties = Object.fromEntries(
    Object.entries({ ...properties.value, ...told }).filter(([, value]) => value !== undefined),
  )
}
</script>

<template>
  <div class="grid gap-3 sm:grid-cols-2">
    <Field label="Name">
      <input v-model="fields.name" class="input" required :maxlength="session.limits?.name" />
    </Field>
    <Field label="Maker (optional)">
      <input v-model="fields.maker" class="input" :maxlength="session.limits?.name" />
    </Field>
    <div>
      <span class="label">Medium</span>
      <ChoiceList v-model="fields.medium" label="Medium" :options="media" />
    </div>
    <slot />
    <template v-if="properties && sayable.includes('surface')">
      <div>
        <span class="label">Its surface</span>
        <ChoiceList
          :model-value="properties.surface ?? ''"
          label="Its surface"
          :options="SURFACES"
          @update:model-value="say({ surface: ($event || undefined) as Properties['surface'] })"
        />
      </div>
      <div>
        <span class="label">Wet layers that it takes</span>
        <ChoiceList
          :model-value="properties.wet_layers ?? 0"
          label="Wet layers that it takes"
          :options="LAYERS"
          @update:model-value="say({ wet_layers: $event || undefined })"
        />
      </div>
    </template>
    <template v-else-if="properties">
      <div v-for="[key, words] in TRAITS.filter(([one]) => sayable.includes(one))" :key="key">
        <span class="label">{{ words }}</span>
        <ChoiceList
          :model-value="ANSWERS.find((one) => one.means === properties![key])!.value"
          :label="words"
          :options="ANSWERS"
          @update:model-value="say({ [key]: ANSWERS.find((one) => one.value === $event)!.means })"
        />
      </div>
    </template>
    <Field label="Note on how its codes are built (optional)" class="sm:col-span-2">
      <input v-model="fields.note" class="input" maxlength="2000" />
    </Field>
  </div>
</template>
