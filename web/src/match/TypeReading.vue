<script setup lang="ts">
import { ref } from 'vue'
import { api, ApiError, type Swatch } from '@/api/client'
import ChoiceList from '@/ui/ChoiceList.vue'
import LaidFields from '@/ui/LaidFields.vue'
import { isLaid, useLaid } from '@/lib/laid'
import Field from '@/ui/Field.vue'

/** Type a reading that was taken elsewhere. */
const { id, medium } = defineProps<{ id: number; medium: Swatch['medium'] }>()
const emit = defineEmits<{ added: [] }>()
const { layers, hand, paper, below, papers, told } = useLaid()
const value = ref('')
const provenance = ref<'read' | 'photographed'>('read')
const takenWith = ref('')
const taken = ref('')
const note = ref('')
const problem = ref('')

async function add() {
  problem.value = ''
  try {
    await api.POST('/api/colours/{id}/readings', {
      params: { path: { id } },
      body: {
        value: value.value,
        provenance: provenance.value,
        taken_with: takenWith.value,
        taken: taken.value || null,
        note: note.value,
        ...told(),
      },
    })
    value.value = note.value = ''
    emit('added')
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
</script>

<template>
  <form class="panel p-4" aria-labelledby="type-reading" @submit.prevent="add">
    <h2 id="type-reading" class="mb-3 text-base">Type a reading</h2>
    <Field label="L*a*b* (D50), or #rrggbb">
      <input
        v-model="value"
        class="input mb-3"
        required
        maxlength="100"
        placeholder="52, −10, 20"
      />
    </Field>
    <LaidFields
      v-if="isLaid(medium)"
      v-model:layers="layers"
      v-model:hand="hand"
      v-model:paper="paper"
      v-model:below="below"
      :papers="papers"
      class="mb-3"
    />
    <div class="grid grid-cols-2 gap-3">
      <div>
        <span class="label">Measured</span>
        <ChoiceList
          v-model="provenance"
          label="Measured"
          :options="[
            { value: 'read', words: 'with an instrument' },
            { value: 'photographed', words: 'from a photograph' },
          ]"
        />
      </div>
      <Field label="With (optional)">
        <input v-model="takenWith" class="input" maxlength="120" />
      </Field>
      <Field label="On the day (today)">
        <input v-model="taken" class="input" type="date" />
      </Field>
      <Field label="Note (optional)">
        <input v-model="note" class="input" maxlength="200" />
      </Field>
    </div>
    <p v-if="problem" role="alert" class="mt-3 border-l-2 border-ink pl-3">{{ problem }}</p>
    <button type="submit" class="button mt-4">Keep it</button>
  </form>
</template>
