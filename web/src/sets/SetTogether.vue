<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, got, type SetMember } from '@/api/client'
import DeskCard from '@/drawing/DeskCard.vue'
import { useSession } from '@/lib/session'
import { plural } from '@/lib/words'
import ColourMenu from '@/ui/ColourMenu.vue'
import { changed, useSet } from './set'
import WordTip from '@/words/WordTip.vue'
import TheFigure from '@/ui/TheFigure.vue'

/** The whole set as a picture, in colour or in greys; how it is built, what its cards share, what to get. */
const { set, doing } = useSet()
const session = useSession()
const carrying = ref(false)
const first = computed(() => set.value!.cards[0]!)
const differing = computed(() => set.value!.cards.filter((one) => one.differs.length))
const names = computed(() => new Map(set.value!.cards.map((one) => [one.id, one.name])))

/** The same set, as it stands with the drawer as it is now. */
const again = () => doing((id) => got(api.GET('/api/sets/{id}', { params: { path: { id } } })))
async function carry(cards: SetMember[]) {
  carrying.value = true
  const body = { cards: cards.map(({ id, version }) => ({ card: id, version })) }
  await doing((id) => got(api.POST('/api/sets/{id}/carry', { params: { path: { id } }, body })))
  carrying.value = false
}
function count(card: SetMember, event: Event) {
  const field = event.target as HTMLInputElement
  const many = Number(field.value)
  const cards = set.value!.cards.map(({ id, count }) => ({
    card: id,
    count: id === card.id ? many : count,
  }))
  void doing((id, version) => changed(id, { version, cards })).then(
    (kept) => kept || (field.value = String(card.count)),
  )
}
</script>

<template>
  <div v-if="set" class="space-y-6">
    <ul class="grid grid-cols-[repeat(auto-fill,minmax(240px,1fr))] gap-4">
      <li v-for="one in set.cards" :key="one.id" class="panel flex flex-col overflow-hidden">
        <div class="h-52 bg-wall p-3"><DeskCard :desk="one.desk" :words="one.name" /></div>
        <div class="flex h-4">
          <span
            v-for="(shades, n) in one.strip"
            :key="n"
            class="flex-1"
            :style="{ background: shades[session.view] }"
          />
        </div>
        <div class="flex flex-1 flex-col gap-2 p-3">
          <div class="flex items-start gap-2">
            <RouterLink
              :to="`/cards/${one.id}/palette`"
              class="min-w-0 flex-1 font-semibold break-words underline"
              >{{ one.name }}</RouterLink
            >
            <label class="flex items-center gap-1 text-xs"
              ><span class="sr-only">How many of {{ one.name }}</span
              ><input
                type="number"
                min="1"
                class="input !min-h-8 !w-16"
                :value="one.count"
                @change="count(one, $event)"
              />
              of it</label
            >
          </div>
          <p v-if="one.failing" class="text-xs font-semibold">
            {{ plural(one.failing, 'check') }} failing
          </p>
          <p v-if="one === first" class="text-xs text-soft">
            The first: the others can be built as it is.
          </p>
          <details v-else-if="one.differs.length" class="text-xs">
            <summary class="cursor-pointer">
              Built otherwise in {{ plural(one.differs.length, 'thing') }}
            </summary>
            <ul class="my-1 list-disc pl-4">
              <li v-for="words in one.differs" :key="words">{{ words }}</li>
            </ul>
            <button type="button" class="button" :disabled="carrying" @click="carry([one])">
              Build it as the first<span class="sr-only">: {{ one.name }}</span>
            </button>
          </details>
          <p v-else class="text-xs text-soft">Built as the first.</p>
        </div>
      </li>
    </ul>
    <button
      v-if="differing.length > 1"
      type="button"
      class="button"
      :disabled="carrying"
      @click="carry(differing)"
    >
      Build all {{ differing.length }} as “{{ first.name }}”, in their own colours
    </button>
    <div class="grid items-start gap-6 lg:grid-cols-2">
      <section v-if="set.alike.length" aria-labelledby="alike">
        <div class="mb-2 flex items-center">
          <h2 id="alike" class="text-base">How alike they are</h2>
          <WordTip word="squint test" />
        </div>
        <ul class="panel max-h-80 divide-y divide-line overflow-y-auto">
          <li v-for="one in set.alike" :key="`${one.first} ${one.second}`" class="px-3 py-2">
            <b>{{ names.get(one.first) }}</b> and <b>{{ names.get(one.second) }}</b>
            <span class="block text-xs"
              >{{ one.words }}
              <TheFigure :text="`ΔL* ${one.off.toFixed(1)} apart place by place`" />;
              {{ plural(one.shared, 'supply', 'supplies') }} in both</span
            >
            <details v-if="one.names.length" class="text-xs">
              <summary class="w-fit cursor-pointer text-soft">Which</summary>
              {{ one.names.join(', ') }}
            </details>
          </li>
        </ul>
      </section>
      <section aria-labelledby="to-get">
        <h2 id="to-get" class="mb-2 text-base">To get for all of them</h2>
        <p v-if="!set.shopping.length">Nothing: all of it is in the drawer.</p>
        <ul v-else class="panel max-h-80 divide-y divide-line overflow-y-auto">
          <li v-for="one in set.shopping" :key="one.swatch.id" class="flex gap-3 px-3 py-2">
            <span
              class="mt-0.5 size-5 shrink-0 rounded-data border border-line"
              :style="{ background: one.swatch.shades[session.view] }"
            />
            <span class="min-w-0">
              <RouterLink :to="`/match/${one.swatch.id}`" class="underline">{{
                one.swatch.label
              }}</RouterLink>
              of {{ one.swatch.range_name }}
              <span class="block text-xs text-soft"
                >{{ one.why }}, for {{ one.cards.join(', ')
                }}{{ one.example ? '; a made-up example, in no shop' : '' }}</span
              >
            </span>
            <ColourMenu class="ml-auto" listed :swatch="one.swatch" @changed="again" />
          </li>
        </ul>
      </section>
    </div>
  </div>
</template>
