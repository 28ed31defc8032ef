<script setup lang="ts">
import { ArrowDownTrayIcon, PlusIcon } from '@heroicons/vue/20/solid'
import { computed, ref } from 'vue'
import { api, got, type Range } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useNotices } from '@/lib/notices'
import { plural } from '@/lib/words'
import DeletedList from '@/ui/DeletedList.vue'
import NewRange from './NewRange.vue'
import SuppliesFrame from './SuppliesFrame.vue'

const { data } = useFetched([], () => got(api.GET('/api/ranges')))
const { data: deleted } = useFetched([], () => got(api.GET('/api/ranges/deleted')))
const changed = ref<Range[] | null>(null)
const every = computed(() => changed.value ?? data.value)
const ranges = computed(() => every.value?.filter((one) => !one.away))
const putAway = computed(() => every.value?.filter((one) => one.away) ?? [])
const examples = computed(() => ranges.value?.filter((one) => !one.own) ?? [])
const hasOwn = computed(() => ranges.value?.some((one) => one.own))
const notices = useNotices()
const making = ref(false)

async function away(of: Range[], away: boolean) {
  const body = { ranges: of.map((one) => one.id), away }
  try {
    changed.value = await got(api.POST('/api/ranges/away', { body }))
  } catch (error) {
    notices.fail(error)
  }
}

const media = computed(() => {
  const groups = new Map<string, Range[]>()
  for (const range of ranges.value ?? [])
    groups.set(range.medium, [...(groups.get(range.medium) ?? []), range])
  return [...groups]
})
</script>

<template>
  <SuppliesFrame>
    <template #actions>
      <button type="button" class="button" @click="making = true">
        <PlusIcon class="size-4" aria-hidden="true" />Make a range
      </button>
      <RouterLink to="/supplies/photograph" class="button">Swatches from a photo</RouterLink>
      <RouterLink to="/supplies/import" class="button button-main">
        <ArrowDownTrayIcon class="size-4" aria-hidden="true" />Bring in a range
      </RouterLink>
    </template>
    <p v-if="!ranges" class="text-soft">Fetching the ranges …</p>
    <p v-else-if="!ranges.length" class="panel max-w-xl p-6">
      No ranges yet. Bring in one of your own from a CSV file: a code or a name, and L, a, b or a
      hex value for each colour.
    </p>
    <div
      v-if="examples.length"
      class="mb-4 flex flex-wrap items-center gap-x-4 gap-y-2"
      :class="hasOwn && 'panel p-3'"
    >
      <p class="min-w-0 flex-1 basis-80">
        {{ plural(examples.length, 'range') }} that
        {{ examples.length === 1 ? 'comes' : 'come' }} with Jindle
        {{ examples.length === 1 ? 'is a made-up example' : 'are made-up examples' }}: no shop sells
        {{ examples.length === 1 ? 'it' : 'them' }}.
        {{ hasOwn ? 'You have ranges of your own now, and can put the examples away.' : '' }}
      </p>
      <button type="button" class="button" @click="away(examples, true)">
        Put the examples away
      </button>
    </div>
    <section v-for="[medium, group] in media" :key="medium" class="mb-5">
      <h2 class="mb-1.5 text-sm text-soft first-letter:uppercase">{{ medium }}</h2>
      <ul class="panel divide-y divide-line">
        <li v-for="range in group" :key="range.id" class="flex items-center hover:bg-room">
          <RouterLink
            :to="`/supplies/${range.id}`"
            class="flex min-w-0 flex-1 flex-wrap items-center gap-x-5 gap-y-1 px-4 py-2"
          >
            <span class="w-56 min-w-0">
              <b class="block truncate">{{ range.name }}</b>
              <span class="block truncate text-xs text-soft">{{
                range.own ? 'my own range' : `an example, ${range.maker}`
              }}</span>
            </span>
            <span class="flex h-8 min-w-48 flex-1">
              <span
                v-for="(shade, n) in range.strip"
                :key="n"
                class="flex-1"
                :style="{ background: shade }"
              />
            </span>
            <span class="w-40 text-right text-xs max-sm:text-left">
              {{ plural(range.count, 'colour') }}
              <span class="block text-soft">{{
                range.owned ? `${range.owned} in my drawer` : 'none in my drawer'
              }}</span>
            </span>
          </RouterLink>
          <button
            v-if="!range.own"
            type="button"
            class="button button-plain mr-2 !text-xs"
            @click="away([range], true)"
          >
            Put away<span class="sr-only">: {{ range.name }}</span>
          </button>
        </li>
      </ul>
    </section>
    <section v-if="putAway.length" aria-labelledby="put-away">
      <h2 id="put-away" class="mb-1.5 text-sm text-soft">Put away, seen nowhere but here</h2>
      <ul class="panel mb-2 divide-y divide-line">
        <li v-for="range in putAway" :key="range.id" class="flex items-center gap-4 px-4 py-1.5">
          <span class="min-w-0 flex-1 truncate">{{ range.name }}, {{ range.medium }}</span>
          <button type="button" class="button !min-h-8" @click="away([range], false)">
            Take it out<span class="sr-only">: {{ range.name }}</span>
          </button>
        </li>
      </ul>
      <button v-if="putAway.length > 1" type="button" class="button" @click="away(putAway, false)">
        Take all of them out
      </button>
    </section>
    <details v-if="deleted?.length" class="mb-5">
      <summary class="cursor-pointer text-sm text-soft">Deleted, {{ deleted.length }}</summary>
      <DeletedList kind="ranges" class="mt-2" />
    </details>
    <NewRange v-if="making" @close="making = false" />
  </SuppliesFrame>
</template>
