<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ApiError, form, got } from '@/api/client'
import { useNotices } from '@/lib/notices'
import { useShelved } from '@/lib/shelf'
import { plural } from '@/lib/words'
import AppDialog from '@/ui/AppDialog.vue'
import DeletedList from '@/ui/DeletedList.vue'
import DotsMenu from '@/ui/DotsMenu.vue'
import FileButton from '@/ui/FileButton.vue'
import GroupChoice from '@/ui/GroupChoice.vue'
import { usePicture } from './picture'
import ScanDialog from './ScanDialog.vue'

/** A line drawing to colour, for the picture on screen or one more: one that is here, an own SVG, or none. */
const { chosen, adding } = defineProps<{ chosen: number | null; adding?: boolean }>()
const emit = defineEmits<{ close: []; added: [] }>()
const { store, picture } = usePicture()
const notices = useNotices()
const problem = ref('')
const scanning = ref(false)
const { data, group, groups, there, menu } = useShelved(
  'drawings',
  () => got(api.GET('/api/drawings')),
  (one) => one.name,
)
const FEW = 6 // drawings that one oversees without looking for any
const typed = ref('')
const shown = computed(() => {
  const words = typed.value.toLowerCase().split(/\s+/).filter(Boolean)
  return there.value.filter((one) => words.every((word) => one.name.toLowerCase().includes(word)))
})

async function take(drawing: number | null, name = 'picture') {
  const made = adding
    ? ({ kind: 'add_picture', name, drawing } as const)
    : ({ kind: 'set_drawing', picture: picture.value.key, drawing } as const)
  if (!(await store.change(made))) return
  if (adding) emit('added')
  emit('close')
}
async function bring(file: File) {
  problem.value = ''
  try {
    const name = file.name.replace(/\.svg$/i, '')
    const body = form('/api/drawings', { file, name })
    const stored = await got(api.POST('/api/drawings', { body }))
    const left = stored.notes.length ? ` ${stored.notes.join('; ')}.` : ''
    notices.show(`${plural(stored.areas, 'closed shape')} found.${left}`)
    await take(stored.id, name)
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
</script>

<template>
  <ScanDialog v-if="scanning" @close="scanning = false" @stored="take" />
  <AppDialog
    v-else
    :title="adding ? 'Another picture' : 'The line drawing'"
    wide
    @close="$emit('close')"
  >
    <div class="mb-4 flex flex-wrap items-center gap-2">
      <FileButton accept=".svg,image/svg+xml" @file="bring">Bring your own SVG</FileButton>
      <button type="button" class="button" @click="scanning = true">
        A photo or scan of your stamp …
      </button>
      <button v-if="chosen || adding" type="button" class="button" @click="take(null)">
        No drawing, only a list of areas
      </button>
      <input
        v-if="there.length > FEW"
        v-model="typed"
        class="input !w-56"
        type="search"
        aria-label="Look for a drawing"
        placeholder="a part of its name"
      />
      <p class="text-xs text-soft">
        Each closed shape becomes an area. Scripts, texts and links in the file are left out.
      </p>
    </div>
    <p v-if="problem" role="alert" class="mb-4 border-l-2 border-ink pl-3">{{ problem }}</p>
    <GroupChoice
      v-if="groups.length > 1"
      v-model="group"
      class="mb-3"
      label="Which drawings are shown"
      :groups="groups"
    />
    <p v-if="there.length && !shown.length">No drawing has “{{ typed }}” in its name.</p>
    <p v-else-if="data?.length && !there.length && group !== 'deleted'">No drawing stands here.</p>
    <p v-if="!data" class="text-soft">Fetching the drawings …</p>
    <DeletedList v-else-if="group === 'deleted'" kind="drawings" />
    <ul v-else class="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
      <li v-for="drawing in shown" :key="drawing.id" class="relative">
        <button
          type="button"
          class="block w-full cursor-pointer rounded-data border bg-sheet p-2 text-left"
          :class="
            drawing.id === chosen ? 'border-ink ring-1 ring-ink' : 'border-line hover:border-ink'
          "
          @click="take(drawing.id, drawing.name)"
        >
          <svg
            :viewBox="`-5 -5 ${drawing.width + 10} ${drawing.height + 10}`"
            class="outline-only block h-36 w-full"
            aria-hidden="true"
          >
            <path v-for="(path, n) in drawing.paths" :key="n" :d="path" />
          </svg>
          <b class="mt-2 block break-words">{{ drawing.name }}</b>
          <span class="text-xs">
            {{ plural(drawing.areas, 'area')
            }}{{ drawing.notes.length ? `; ${drawing.notes.join('; ')}` : '' }}
          </span>
        </button>
        <DotsMenu
          v-if="drawing.own"
          class="absolute right-1 bottom-1"
          :label="`More of ${drawing.name}`"
          :items="menu(drawing)"
        />
      </li>
    </ul>
  </AppDialog>
</template>

<style scoped>
.outline-only {
  fill: var(--sheet);
  fill-rule: evenodd;
  stroke: var(--ink);
  stroke-width: 5;
}
</style>
