<script setup lang="ts">
import { fieldsKnownEnumValues } from '@/api/schema'
import ChoiceList from '@/ui/ChoiceList.vue'

/** Which header of the file stands for which field. */
const { header, columns } = defineProps<{
  header: string[]
  columns: Record<string, string>
  sample: string[][]
}>()
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
    <div
      v-if="sample.length"
      class="mt-4 overflow-x-auto"
      tabindex="0"
      role="group"
      aria-label="The first rows of the file"
    >
      <table class="text-left text-xs">
        <thead>
          <tr>
            <th v-for="(title, n) in header" :key="n" class="pr-4 pb-1 font-semibold">
              {{ title || '(empty)' }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, at) in sample" :key="at" class="border-t border-line">
            <td v-for="(cell, n) in row" :key="n" class="max-w-48 truncate py-1 pr-4">
              {{ cell }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>
