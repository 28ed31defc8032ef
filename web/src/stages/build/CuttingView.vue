<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, got, type Build } from '@/api/client'
import { useCard } from '@/card/card'
import { useFetched } from '@/lib/fetched'
import { plural } from '@/lib/words'
import CutSheet from './CutSheet.vue'
import SheetFields from './SheetFields.vue'
import { addressOf, type AskedSheets } from './cutting'
import Field from '@/ui/Field.vue'

/** What is cut out of which sheet, for one card or a set of them. */
const { build } = defineProps<{ build: Build }>()
const store = useCard()
const count = ref(1)
const sheets = ref<AskedSheets | null>(null)
const asked = computed(() => sheets.value && { ...sheets.value, count: count.value })
const {
  data: cutting,
  problem,
  busy,
} = useFetched(
  () => [store.card?.version, asked.value],
  () =>
    asked.value &&
    got(
      api.GET('/api/cards/{id}/build/cutting', {
        params: { path: { id: store.card!.id }, query: asked.value },
      }),
    ),
)
const printed = computed(() =>
  addressOf(`/api/cards/${store.card!.id}/build/cutting/sheet`, asked.value ?? {}),
)
const trimmed = computed(() => cutting.value?.pieces.filter((one) => !one.blank) ?? [])
const patterned = computed(() =>
  cutting.value?.sheets.some((one) => one.material.source === 'sheet'),
)
const shaped = computed(() => cutting.value?.pieces.filter((one) => one.blank) ?? [])
const cut = computed(() => cutting.value?.sheets ?? [])
</script>

<template>
  <section aria-label="Cutting">
    <SheetFields
      v-model="sheets"
      class="mb-4"
      :sheets="build.sheets"
      :grains="build.grains"
      :unit="store.card!.size.unit"
      :middles="!!cutting?.middles.length"
    >
      <div class="w-20">
        <Field label="Cards">
          <input v-model.lazy.number="count" type="number" min="1" class="input" />
        </Field>
      </div>
    </SheetFields>
    <p v-if="problem" role="alert" class="mb-4 border-l-2 border-ink pl-3">{{ problem }}</p>
    <div v-if="cutting" class="mb-5 flex flex-wrap items-start gap-x-10 gap-y-3">
      <div class="max-w-full overflow-x-auto" tabindex="0" aria-label="What is cut" role="group">
        <table class="text-left">
          <thead>
            <tr class="text-xs text-soft">
              <th class="pr-5 font-semibold">Piece</th>
              <th class="pr-5 font-semibold">Size</th>
              <th class="pr-5 font-semibold">Count</th>
              <th class="pr-5 font-semibold">Made of</th>
              <th class="font-semibold">Lies</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(one, n) in trimmed" :key="n">
              <td class="max-w-48 truncate pr-5">{{ one.name }}</td>
              <td class="pr-5 whitespace-nowrap">{{ one.size }}</td>
              <td class="pr-5">{{ one.count }}</td>
              <td class="max-w-64 pr-5 break-words">{{ one.material }}</td>
              <td class="text-xs">{{ one.out_of || one.direction }}</td>
            </tr>
          </tbody>
        </table>
        <template v-if="shaped.length">
          <h2 class="mt-4 mb-1 text-sm">With a die, or scissors</h2>
          <table class="text-left">
            <thead>
              <tr class="text-xs text-soft">
                <th class="pr-5 font-semibold">Piece</th>
                <th class="pr-5 font-semibold">Size</th>
                <th class="pr-5 font-semibold">Cut from a sheet of</th>
                <th class="pr-5 font-semibold">Count</th>
                <th class="font-semibold">Made of</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(one, n) in shaped" :key="n">
                <td class="max-w-48 truncate pr-5">{{ one.name }}</td>
                <td class="pr-5 whitespace-nowrap">{{ one.size }}</td>
                <td class="pr-5 whitespace-nowrap">
                  {{ one.blank }}{{ one.out_of && `, out of ${one.out_of}` }}
                </td>
                <td class="pr-5">{{ one.count }}</td>
                <td class="max-w-64 break-words">{{ one.material }}</td>
              </tr>
            </tbody>
          </table>
        </template>
      </div>
      <div class="max-w-72 space-y-2">
        <p>
          <b>{{ busy ? 'Laying them out …' : plural(cut.length, 'sheet') }}</b>, each cut right
          across with a trimmer in the order of the numbers; broken lines are scored.
        </p>
        <p v-for="one in cutting.too_large" :key="one.name" role="alert">
          No sheet of this size holds {{ one.name }}, {{ one.size }}: take a larger one for it.
        </p>
        <a class="button" :href="printed">Print it in true size</a>
        <p v-for="one in cutting.middles" :key="one.name" class="text-xs">
          The middle of {{ one.name }} is hidden: {{ one.size }} can be cut out of it.
        </p>
        <p v-for="(one, n) in build.trimmings" :key="n" class="text-xs">
          {{ one.size }} comes off {{ one.name
          }}{{
            one.could_be.length ? `: enough for ${one.could_be.join(', ')}` : ', to fill elsewhere'
          }}.
        </p>
        <p class="text-xs text-soft">
          Cut away from your hand, along a metal ruler or with the trimmer’s guard down; cap the
          blade. Keep fingers, hair and cords off the rollers of a die-cutting machine.
        </p>
        <p v-if="patterned" class="text-xs text-soft">
          Patterned paper is laid out on sheets of its own size; a pattern that goes on past it, on
          the large one.
        </p>
      </div>
    </div>
    <ol
      :class="busy && 'opacity-40'"
      class="grid grid-cols-[repeat(auto-fill,minmax(210px,1fr))] gap-4"
    >
      <li v-for="(one, n) in cut" :key="n"><CutSheet :sheet="one" :number="n + 1" /></li>
    </ol>
  </section>
</template>
