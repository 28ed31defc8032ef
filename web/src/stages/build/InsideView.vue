<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, got, type Build, type Change, type Room } from '@/api/client'
import { useCard } from '@/card/card'
import DeskCard from '@/drawing/DeskCard.vue'
import { useFetched } from '@/lib/fetched'
import { plural } from '@/lib/words'
import Field from '@/ui/Field.vue'

/** The inside: how much can be written there, and the front's picture and colour again, in one press. */
const { build } = defineProps<{ build: Build }>()
const store = useCard()
const typed = ref('')
const words = ref('')
const { data, problem, busy } = useFetched(
  () => [store.card?.version, words.value],
  () =>
    got(
      api.GET('/api/cards/{id}/build/inside', {
        params: { path: { id: store.card!.id }, query: { words: words.value } },
      }),
    ),
)
/** The inside alone, drawn as a front is. */
const inside = (desk: { inside: unknown[] }) =>
  ({ ...desk, parts: desk.inside, inside: [] }) as never
const said = (room: Room) => {
  const { count, words } = room.lines.find((one) => one.hand === 'usual')!
  return `${plural(count, 'line')} of about ${plural(words, 'word')} in a usual hand`
}
const here = computed(() => data.value?.room)
</script>

<template>
  <section aria-label="Inside" class="space-y-5">
    <p v-if="problem" role="alert" class="border-l-2 border-ink pl-3">{{ problem }}</p>
    <p v-else-if="!data" class="text-soft">Opening the card …</p>
    <template v-else>
      <div class="flex flex-wrap items-start gap-6">
        <div v-if="build.inside.length" class="h-52 w-64 bg-wall p-3">
          <DeskCard :desk="inside(store.card!.desk)" words="The inside as it is" />
        </div>
        <div class="min-w-0 flex-1 basis-64">
          <h2 class="mb-1 text-base">Room to write</h2>
          <p v-if="!here">There is none: nothing inside takes a dark pen.</p>
          <template v-else>
            <p class="mb-2">
              {{ Math.round(here.width) }} × {{ Math.round(here.height) }} mm are free and take a
              dark pen.
            </p>
            <table class="text-left">
              <caption class="sr-only">
                Lines by how large one writes
              </caption>
              <tbody>
                <tr v-for="one in here.lines" :key="one.hand">
                  <th class="pr-5 font-normal">{{ one.hand }} hand, {{ one.apart }} mm a line</th>
                  <td class="pr-5">
                    <b>{{ plural(one.count, 'line') }}</b>
                  </td>
                  <td class="text-xs text-soft">about {{ plural(one.words, 'word') }} on each</td>
                </tr>
              </tbody>
            </table>
            <p class="mt-2 text-xs text-soft">Estimated from usual handwriting; try your own.</p>
          </template>
        </div>
      </div>
      <div>
        <h2 class="mb-1 text-base">The front again, small</h2>
        <p v-if="!data.offers.length" class="panel max-w-xl p-4">
          {{
            build.pieces.length
              ? 'No way to repeat the picture leaves room to write on a card of this size.'
              : 'Build the front first: its picture and its colour come again inside.'
          }}
        </p>
        <template v-else>
          <form class="mb-3 flex flex-wrap items-end gap-3" @submit.prevent="words = typed">
            <Field label="Words inside, if any" class="w-72">
              <input
                v-model="typed"
                class="input"
                maxlength="120"
                placeholder="with love"
                @change="words = typed"
              />
            </Field>
            <button type="submit" class="button">Show it with them</button>
            <p v-if="build.inside.length" class="pb-2 text-xs text-soft">
              What lies inside by now gives way; it can be undone.
            </p>
          </form>
          <ul class="grid grid-cols-[repeat(auto-fill,minmax(236px,1fr))] gap-4">
            <li
              v-for="one in data.offers"
              :key="one.words"
              class="panel flex flex-col overflow-hidden"
            >
              <div class="h-48 bg-wall p-3">
                <DeskCard :desk="inside(one.desk)" :words="one.words" />
              </div>
              <div class="flex flex-1 flex-col gap-1 p-3">
                <b class="first-letter:uppercase">{{ one.words }}</b>
                <p class="text-xs">Leaves {{ said(one.room) }}.</p>
                <p v-for="lost in one.gives_way" :key="lost.title" class="text-xs">
                  <b>{{ lost.title }}:</b> {{ lost.words }}
                </p>
                <button
                  type="button"
                  class="button mt-auto w-fit"
                  :disabled="store.busy || busy"
                  @click="store.change(one.change as Change)"
                >
                  Lay it so<span class="sr-only">: {{ one.words }}</span>
                </button>
              </div>
            </li>
          </ul>
        </template>
      </div>
    </template>
  </section>
</template>
