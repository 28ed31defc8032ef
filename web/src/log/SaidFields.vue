<script setup lang="ts">
import type { Said } from './said'

/** What a person says of what they made; how many stands elsewhere where it is not asked here. */
const { counted = true } = defineProps<{ counted?: boolean }>()
const said = defineModel<Said>({ required: true })
</script>

<template>
  <div class="grid gap-3 sm:grid-cols-[150px_90px_minmax(0,1fr)_minmax(0,1fr)]">
    <label
      ><span class="label">Made on</span
      ><input v-model="said.made" type="date" class="input" required
    /></label>
    <label v-if="counted"
      ><span class="label">How many</span
      ><input v-model.number="said.count" class="input" inputmode="numeric" required
    /></label>
    <label
      ><span class="label">Occasion</span
      ><input v-model="said.occasion" class="input" maxlength="120"
    /></label>
    <label
      ><span class="label">For whom</span
      ><input v-model="said.person" class="input" maxlength="120"
    /></label>
    <label class="sm:col-span-3"
      ><span class="label">What went well</span
      ><textarea v-model="said.went_well" class="input" rows="2" maxlength="4000" />
    </label>
    <label class="sm:col-span-1"
      ><span class="label">What to change</span
      ><textarea v-model="said.to_change" class="input" rows="2" maxlength="4000" />
    </label>
  </div>
</template>
