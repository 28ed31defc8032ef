<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, got } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { plural } from '@/lib/words'
import CutSheet from '@/stages/build/CutSheet.vue'
import SheetFields from '@/stages/build/SheetFields.vue'
import { addressOf, type AskedSheets } from '@/stages/build/cutting'
import { useSet } from './set'

/** What is cut for all cards of a set, out of sheets that they share. */
const { set } = useSet()
const sheets = ref<AskedSheets | null>(null)
const { data, problem, busy } = useFetched(
  () => [set.value?.id, set.value?.version, sheets.value],
  () =>
    sheets.value &&
    got(
      api.GET('/api/sets/{id}/cutting', {
        params: { path: { id: set.value!.id }, query: sheets.value },
      }),
    ),
)
const printed = computed(() =>
  addressOf(`/api/sets/${set.value!.id}/cutting/sheet`, sheets.value ?? {}),
)
</script>

<template>
  <section v-if="set" aria-label="Cutting">
    <SheetFields
      v-model="sheets"
      class="mb-4"
      :sheets="set.sheets"
      :grains="set.grains"
      :unit="set.unit"
      middles
    />
    <p v-if="problem" role="alert" class="mb-4 border-l-2 border-ink pl-3">{{ problem }}</p>
    <template v-if="data">
      <div class="mb-4 flex flex-wrap items-center gap-x-6 gap-y-2">
        <p>
          <b>{{ busy ? 'Laying them out …' : plural(data.sheets.length, 'sheet') }}</b> for
          {{ plural(set.count, 'card')
          }}{{
            data.apart > data.sheets.length
              ? `; each by itself, they would take ${data.apart}`
              : ''
          }}.
        </p>
        <a class="button button-main" :href="printed">Print it in true size</a>
      </div>
      <p v-for="one in data.too_large" :key="one.name" role="alert" class="mb-2">
        No sheet of this size holds {{ one.name }}, {{ one.size }}: take a larger one for it.
      </p>
      <ol
        :class="busy && 'opacity-40'"
        class="mb-4 grid grid-cols-[repeat(auto-fill,minmax(210px,1fr))] gap-4"
      >
        <li v-for="(one, n) in data.sheets" :key="n"><CutSheet :sheet="one" :number="n + 1" /></li>
      </ol>
      <p class="max-w-2xl text-xs text-soft">
        Cut away from your hand, along a metal ruler or with the trimmer’s guard down; cap the
        blade. Keep fingers, hair and cords off the rollers of a die-cutting machine.
      </p>
    </template>
    <p v-else-if="!problem" class="text-soft">Laying them out …</p>
  </section>
</template>
