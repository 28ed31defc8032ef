<script setup lang="ts">
import { computed } from 'vue'
import ChoiceList from '@/ui/ChoiceList.vue'
import Field from '@/ui/Field.vue'

/** Width, height and unit of a card, with the usual sizes to start from. */
export type Size = { width: string; height: string; unit: 'in' | 'mm' }

const { sizes = [] } = defineProps<{ sizes?: (Size & { words: string })[] }>()
const size = defineModel<Size>({ required: true })
const OWN = 'own size'

const options = computed(() => [
  ...sizes.map((one) => ({ value: one.words, words: one.words })),
  { value: OWN, words: OWN },
])
const usual = computed({
  get: () =>
    sizes.find(
      (one) =>
        one.unit === size.value.unit &&
        [one.width, one.height].sort().join() ===
          [size.value.width, size.value.height].sort().join(),
    )?.words ?? OWN,
  set: (words) => {
    const found = sizes.find((one) => one.words === words)
    if (found) size.value = { width: found.width, height: found.height, unit: found.unit }
  },
})

function turn() {
  size.value = { ...size.value, width: size.value.height, height: size.value.width }
}
</script>

<template>
  <div>
    <span v-if="sizes.length" class="label">Usual sizes</span>
    <ChoiceList
      v-if="sizes.length"
      v-model="usual"
      label="Usual sizes"
      :options="options"
      class="mb-3"
    />
    <div class="flex flex-wrap items-end gap-2">
      <div class="w-24">
        <Field label="Width">
          <input
            class="input"
            :value="size.width"
            required
            @input="size = { ...size, width: ($event.target as HTMLInputElement).value }"
          />
        </Field>
      </div>
      <div class="w-24">
        <Field label="Height">
          <input
            class="input"
            :value="size.height"
            required
            @input="size = { ...size, height: ($event.target as HTMLInputElement).value }"
          />
        </Field>
      </div>
      <div class="w-36">
        <span class="label">Unit</span>
        <ChoiceList
          :model-value="size.unit"
          label="Unit"
          :options="[
            { value: 'in', words: 'inches' },
            { value: 'mm', words: 'millimetres' },
          ]"
          @update:model-value="(unit) => (size = { ...size, unit: unit as 'in' | 'mm' })"
        />
      </div>
      <button type="button" class="button" @click="turn">Turn</button>
    </div>
    <p class="mt-1 text-xs text-soft">Fractions as on a ruler, such as 4 5/16, or 110 mm.</p>
  </div>
</template>
