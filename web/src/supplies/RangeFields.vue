<script setup lang="ts">
import type { Range } from '@/api/client'
import { mediumValues } from '@/api/schema'
import ChoiceList from '@/ui/ChoiceList.vue'

/** What a range is, apart from its colours. */
export type Fields = { name: string; maker: string; medium: Range['medium']; note: string }
const fields = defineModel<Fields>({ required: true })
</script>

<template>
  <div class="grid gap-3 sm:grid-cols-2">
    <div>
      <label class="label" for="range-name">Name</label>
      <input id="range-name" v-model="fields.name" class="input" required maxlength="500" />
    </div>
    <div>
      <label class="label" for="range-maker">Maker (optional)</label>
      <input id="range-maker" v-model="fields.maker" class="input" maxlength="500" />
    </div>
    <div>
      <span class="label">Medium</span>
      <ChoiceList
        v-model="fields.medium"
        label="Medium"
        :options="mediumValues.map((value) => ({ value, words: value }))"
      />
    </div>
    <slot />
    <div class="sm:col-span-2">
      <label class="label" for="range-note">Note on how its codes are built (optional)</label>
      <input id="range-note" v-model="fields.note" class="input" maxlength="2000" />
    </div>
  </div>
</template>
