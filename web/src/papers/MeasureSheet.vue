<script setup lang="ts">
import { ref } from 'vue'
import { api, ApiError, got, type Paper } from '@/api/client'
import { useSession } from '@/lib/session'
import AppDialog from '@/ui/AppDialog.vue'
import Field from '@/ui/Field.vue'

/** How wide what the picture of a sheet shows is: with that its scale is known. */
const { paper } = defineProps<{ paper: Paper }>()
const emit = defineEmits<{ measured: [paper: Paper]; close: [] }>()
const session = useSession()
const width = ref(paper.width ?? '')
const problem = ref('')

async function keep() {
  try {
    const params = { path: { id: paper.id } }
    const body = { width: width.value }
    emit('measured', await got(api.PATCH('/api/papers/{id}', { params, body })))
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
</script>

<template>
  <AppDialog :title="`How wide is ${paper.title}?`" @close="emit('close')">
    <form class="space-y-3" @submit.prevent="keep">
      <p>
        Measure what its picture shows, from its left edge to its right: the whole sheet, or the
        part of it that you photographed.
      </p>
      <div class="flex items-end gap-2">
        <Field label="Width" class="w-40">
          <input
            v-model="width"
            class="input"
            required
            :placeholder="session.person?.units === 'mm' ? '305 mm' : '12 in'"
          />
        </Field>
        <button type="submit" class="button button-main">Keep it</button>
      </div>
      <p v-if="problem" role="alert" class="border-l-2 border-ink pl-3">{{ problem }}</p>
    </form>
  </AppDialog>
</template>
