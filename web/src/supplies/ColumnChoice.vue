<script setup lang="ts">
import { fieldsKnownEnumValues } from '@/api/schema'
import ChoiceList from '@/ui/ChoiceList.vue'

/** Which header of the file stands for which field. */
const { header, columns } = defineProps<{ header: string[]; columns: Record<string, string> }>()
const emit = defineEmits<{ change: [columns: Record<string, string>] }>()
const NONE = ''

function set(field: string, title: string) {
  const changed = { ...columns, [field]: title }
  if (!title) delete changed[field]
  emit('change', changed)
}
</script>

<template>
  <section class="panel p-5">
    <h2 class="mb-3 text-base">Columns</h2>
    <div class="grid grid-cols-[repeat(auto-fill,minmax(150px,1fr))] gap-3">
      <div v-for="field in fieldsKnownEnumValues" :key="field">
        <span class="label">{{ field }}</span>
        <ChoiceList
          :model-value="columns[field] ?? NONE"
          :label="`Column for ${field}`"
          :options="[
            { value: NONE, words: 'none' },
            ...header.map((title) => ({ value: title, words: title || '(empty)' })),
          ]"
          @update:model-value="(title) => set(field, title)"
        />
      </div>
    </div>
  </section>
</template>
