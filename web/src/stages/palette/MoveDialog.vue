<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, got } from '@/api/client'
import { useCard } from '@/card/card'
import { useFetched } from '@/lib/fetched'
import { useOnlyOwned } from '@/lib/owned'
import { useSession } from '@/lib/session'
import { figure, nearness, plural } from '@/lib/words'
import AppDialog from '@/ui/AppDialog.vue'
import OnOff from '@/ui/OnOff.vue'

/** “I have only these ranges”: move the card’s supplies to them, as a set. */
const emit = defineEmits<{ close: [] }>()
const store = useCard()
const session = useSession()
const chosen = ref<number[]>([])
const owned = useOnlyOwned()
const card = computed(() => store.card!)
const { data: ranges } = useFetched([], () => got(api.GET('/api/ranges')))
const { data: moved } = useFetched([chosen, owned], () =>
  chosen.value.length
    ? got(
        api.GET('/api/cards/{id}/move', {
          params: {
            path: { id: card.value.id },
            query: { ranges: chosen.value.join(','), owned: owned.value },
          },
        }),
      )
    : null,
)
const columns = computed(() =>
  card.value.columns
    .map((column) => ({
      title: column.title,
      cells: moved.value?.cells.filter((cell) => cell.column === column.key) ?? [],
    }))
    .filter((column) => column.cells.length),
)
const colour = (key: number) => card.value.colours.find((one) => one.key === key)!

function toggle(id: number) {
  chosen.value = chosen.value.includes(id)
    ? chosen.value.filter((one) => one !== id)
    : [...chosen.value, id]
}
async function move() {
  const choices = moved.value!.cells.map(({ key, column, match }) => ({
    key,
    column,
    colour: match.swatch.id,
  }))
  if (await store.change({ kind: 'choose_many', choices })) emit('close')
}
</script>

<template>
  <AppDialog title="Move this card to other ranges" wide @close="$emit('close')">
    <p class="mb-3">
      Choose the ranges you have. In each medium the palette’s colours are given to theirs as a set:
      none is used twice while there are enough. Locked cells stay.
    </p>
    <div class="mb-4 flex flex-wrap gap-1.5" role="group" aria-label="Ranges">
      <button
        v-for="range in ranges ?? []"
        :key="range.id"
        type="button"
        class="button"
        :class="chosen.includes(range.id) && 'button-main'"
        :aria-pressed="chosen.includes(range.id)"
        @click="toggle(range.id)"
      >
        {{ range.name }} <span class="text-xs font-normal">{{ range.medium }}</span>
      </button>
    </div>
    <OnOff v-model="owned" class="mb-4">Only what I own</OnOff>
    <p v-if="!chosen.length" class="text-soft">No range is chosen yet.</p>
    <template v-else-if="moved">
      <section v-for="column in columns" :key="column.title" class="mb-4">
        <h3 class="mb-1.5 text-sm">{{ column.title }}</h3>
        <ul class="grid gap-1.5 sm:grid-cols-2 lg:grid-cols-3">
          <li
            v-for="cell in column.cells"
            :key="cell.key"
            class="flex gap-2 overflow-hidden rounded-data border border-line bg-sheet pr-2"
          >
            <span class="flex w-12 shrink-0" aria-hidden="true">
              <span class="flex-1" :style="{ background: colour(cell.key).shades[session.view] }" />
              <span
                class="flex-1"
                :style="{ background: cell.match.swatch.shades[session.view] }"
              />
            </span>
            <span class="min-w-0 py-1 text-xs">
              <span class="block truncate text-soft">{{ colour(cell.key).name }}</span>
              <b class="block text-sm break-words">{{ cell.match.swatch.label }}</b>
              <span class="block">{{ nearness(cell.match) }}, {{ figure(cell.match) }}</span>
            </span>
          </li>
        </ul>
      </section>
      <p v-if="moved.unserved.length" class="mb-4 text-soft">
        None of these ranges serves {{ moved.unserved.join(', ').toLowerCase() }}; those stay as
        they are.
      </p>
      <button
        type="button"
        class="button button-main"
        :disabled="!moved.cells.length || store.busy"
        @click="move"
      >
        Move {{ plural(moved.cells.length, 'cell') }}
      </button>
    </template>
  </AppDialog>
</template>
