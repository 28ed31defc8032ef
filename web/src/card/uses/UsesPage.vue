<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, got, type Used } from '@/api/client'
import { useCard } from '@/card/card'
import { useFetched } from '@/lib/fetched'
import { useSession } from '@/lib/session'
import { plural } from '@/lib/words'
import SwatchShape from '@/drawing/SwatchShape.vue'
import ColourMenu from '@/ui/ColourMenu.vue'
import StatusMark from '@/ui/StatusMark.vue'
import UseInstead from './UseInstead.vue'

/** All that the card uses, by medium, with its places; what is wanting comes with its ways out. */
const store = useCard()
const session = useSession()
const replacing = ref<Used | null>(null)
const { data, refresh } = useFetched(
  [() => store.card?.version, () => session.person?.units],
  () =>
    store.card
      ? got(api.GET('/api/cards/{id}/uses', { params: { path: { id: store.card.id } } }))
      : null,
)
const groups = computed(() => {
  const found = new Map<string, Used[]>()
  for (const one of data.value?.used ?? [])
    found.set(one.medium, [...(found.get(one.medium) ?? []), one])
  return [...found]
})
const wanting = computed(() => data.value?.used.filter((one) => one.wanting && one.needed) ?? [])
/** Where it is used, those of one picture or face together. */
function places(one: Used) {
  const found = new Map<string, string[]>()
  for (const usage of one.usages) {
    const words = [usage.words, usage.size].filter(Boolean).join(', ')
    const told = usage.needed ? words : `${words} (covered: not needed)`
    found.set(usage.of, [...(found.get(usage.of) ?? []), told])
  }
  return [...found]
}
const percent = (share: number) => `${Math.round(100 * share)} %`
</script>

<template>
  <section aria-labelledby="uses">
    <h2 id="uses" class="mb-1 text-lg">What the card uses</h2>
    <p v-if="!data" class="text-soft">Going through the card …</p>
    <p v-else-if="!data.used.length" class="panel mt-3 max-w-xl p-5">
      Nothing yet: what areas are coloured with, pads of the ground and what pieces are cut of is
      listed here as it comes.
    </p>
    <template v-else>
      <p class="mb-4 text-soft">
        {{ plural(data.used.length, 'thing')
        }}<template v-if="wanting.length">, {{ wanting.length }} of them wanting</template>.
        <template v-if="data.ground !== null">
          {{ percent(data.ground) }} of the ground stays visible.
        </template>
      </p>
      <section v-if="data.covered.length" aria-labelledby="covered" class="mb-5">
        <h3 id="covered" class="mb-1.5 text-sm">Not needed: covered</h3>
        <ul class="panel divide-y divide-line">
          <li v-for="one in data.covered" :key="one.area" class="px-3 py-1.5">
            <b>{{ one.words }}</b> lies under {{ one.by }}: {{ percent(one.covered) }} covered,
            leave it uncoloured.
          </li>
        </ul>
      </section>
      <section v-for="[medium, things] in groups" :key="medium" class="mb-5">
        <h3 class="mb-1.5 text-sm first-letter:uppercase">{{ medium }}</h3>
        <ul class="panel divide-y divide-line">
          <li
            v-for="one in things"
            :key="`${one.end.source} ${one.end.id}`"
            class="flex flex-wrap items-start gap-x-4 gap-y-1 px-3 py-1.5"
            :class="!one.needed && 'text-soft'"
          >
            <SwatchShape v-if="one.swatch" :swatch="one.swatch" />
            <span
              v-else
              class="h-8 w-14 shrink-0 rounded-data border border-line"
              :style="{ background: one.shades[session.view] }"
              aria-hidden="true"
            />
            <span class="w-44 min-w-0">
              <RouterLink
                v-if="one.swatch"
                :to="`/match/${one.swatch.id}`"
                class="font-semibold underline"
                >{{ one.swatch.label }}</RouterLink
              >
              <b v-else>{{ one.words }}</b>
              <span v-if="one.swatch" class="block text-xs">{{ one.swatch.range_name }}</span>
              <span v-if="one.card" class="block text-xs">as {{ one.card }}</span>
            </span>
            <span class="min-w-52 flex-1 text-xs">
              <span v-for="[of, words] in places(one)" :key="of" class="block">
                <b class="font-semibold">{{ of }}:</b> {{ words.join('; ') }}
              </span>
            </span>
            <span v-if="one.wanting" class="flex w-36 items-center gap-1.5 text-xs">
              <StatusMark :status="one.status" />{{ one.wanting }}
            </span>
            <button
              v-if="one.end.source === 'supply'"
              type="button"
              class="button !px-2 !text-xs"
              @click="replacing = one"
            >
              Use instead …<span class="sr-only"> of {{ one.words }}</span>
            </button>
            <ColourMenu v-if="one.swatch" :swatch="one.swatch" @changed="refresh" />
          </li>
        </ul>
      </section>
    </template>
    <UseInstead v-if="replacing" :thing="replacing" @close="replacing = null" />
  </section>
</template>
