<script setup lang="ts">
import type { Said } from './said'
import Field from '@/ui/Field.vue'

/** What a person says of what they made; how many stands elsewhere where it is not asked here. */
const { counted = true } = defineProps<{ counted?: boolean }>()
const said = defineModel<Said>({ required: true })
</script>

<template>
  <div class="grid gap-3 sm:grid-cols-[150px_90px_minmax(0,1fr)_minmax(0,1fr)]">
    <Field label="Made on">
      <input v-model="said.made" type="date" class="input" required />
    </Field>
    <Field v-if="counted" label="How many">
      <input v-model.number="said.count" class="input" inputmode="numeric" required />
    </Field>
    <Field label="Occasion">
      <input v-model="said.occasion" class="input" maxlength="120" />
    </Field>
    <Field label="For whom">
      <input v-model="said.person" class="input" maxlength="120" />
    </Field>
    <Field label="What went well" class="sm:col-span-3">
      <textarea v-model="said.went_well" class="input" rows="2" maxlength="4000" />
    </Field>
    <Field label="What to change" class="sm:col-span-1">
      <textarea v-model="said.to_change" class="input" rows="2" maxlength="4000" />
    </Field>
  </div>
</template>
