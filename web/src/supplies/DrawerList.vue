<script setup lang="ts">
import { ref } from 'vue'
import { api, ApiError, got, type ListReport, type Swatch } from '@/api/client'
import { useDrawer } from '@/lib/drawer'
import { called, plural } from '@/lib/words'
import AppDialog from '@/ui/AppDialog.vue'
import SwatchShape from '@/drawing/SwatchShape.vue'

/** Mark what one owns by typing or pasting codes in any order. */
const { range } = defineProps<{ range?: number }>()
const emit = defineEmits<{ close: []; stored: [] }>()
const { keepAll } = useDrawer(() => emit('stored'))
const text = ref('')
const report = ref<ListReport | null>(null)
const problem = ref('')

async function read() {
  problem.value = ''
  try {
    const body = { text: text.value, range: range ?? null, store: false }
    report.value = await got(api.POST('/api/drawer/list', { body }))
  } catch (error) {
    report.value = null
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
async function store() {
  const fresh = report.value!.understood.filter((one) => !one.owned)
  await keepAll(fresh, true)
  emit('close')
}
/** Take one of what a part may mean, in its place in the text. */
function mean(part: string, swatch: Swatch) {
  text.value = text.value.replace(part, `${swatch.range_name} ${swatch.label}`)
  void read()
}
</script>

<template>
  <AppDialog title="Type or paste codes" wide @close="$emit('close')">
    <form @submit.prevent="read">
      <label class="label" for="codes"
        >Codes or names in any order, with commas, lines or spaces between them</label
      >
      <textarea
        id="codes"
        v-model="text"
        class="input min-h-32"
        rows="5"
        placeholder="moss 3, Moss-4; rook 6"
        @input="report = null"
      />
      <p v-if="problem" role="alert" class="mt-3 border-l-2 border-ink pl-3">{{ problem }}</p>
      <button v-if="!report" type="submit" class="button button-main mt-4">Read the list</button>
    </form>
    <div v-if="report" class="mt-4" role="status">
      <p class="mb-2">
        <b>{{ plural(report.understood.length, 'colour') }} understood</b>, {{ report.new }} of them
        new in the drawer<template v-if="report.repeated">; {{ report.repeated }} repeated</template
        >.
      </p>
      <p v-if="report.numbers.length" class="mb-2 text-xs">
        Numbers alone were taken for those of {{ report.numbers.join(' and ') }}.
      </p>
      <ul class="mb-4 flex max-h-48 flex-wrap gap-1.5 overflow-y-auto">
        <li
          v-for="swatch in report.understood"
          :key="swatch.id"
          class="flex items-center gap-1.5 border border-line bg-sheet pr-2 text-xs"
        >
          <SwatchShape :swatch="swatch" />
          <span
            ><b>{{ called(swatch) }}</b
            ><br />{{ swatch.range_name }}</span
          >
        </li>
      </ul>
      <section v-if="report.doubtful.length" class="panel mb-4 p-4" role="alert">
        <h3 class="mb-2 text-base">{{ plural(report.doubtful.length, 'part') }} not understood</h3>
        <ul class="max-h-56 space-y-2 overflow-y-auto">
          <li
            v-for="(part, n) in report.doubtful"
            :key="n"
            class="flex flex-wrap items-center gap-2"
          >
            <span class="min-w-40">“{{ part.text }}” {{ part.reason }}.</span>
            <button
              v-for="swatch in part.suggestions"
              :key="swatch.id"
              type="button"
              class="button !min-h-7 text-xs"
              @click="mean(part.text, swatch)"
            >
              <span class="size-4" :style="{ background: swatch.shades.colour }" />
              {{ swatch.range_name }} {{ called(swatch) }}
            </button>
          </li>
        </ul>
      </section>
      <button type="button" class="button button-main" :disabled="!report.new" @click="store">
        Put {{ plural(report.new, 'colour') }} into the drawer
      </button>
    </div>
  </AppDialog>
</template>
