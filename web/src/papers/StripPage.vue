<script setup lang="ts">
import { ArrowDownTrayIcon } from '@heroicons/vue/20/solid'
import { computed, defineAsyncComponent, ref } from 'vue'
import { api, got } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useNotices } from '@/lib/notices'
import { useShade } from '@/lib/screen'
import type { Picked } from '@/ui/FindColour.vue'

const FindDialog = defineAsyncComponent(() => import('@/ui/FindDialog.vue'))

/** My strip of known swatches: which colours are on it, and how it is printed. */
const notices = useNotices()
const shade = useShade()
const { data } = useFetched([], () => got(api.GET('/api/strip')))
const boxes = computed(() => data.value?.boxes ?? [])
const picking = ref<number | null>(null)
const busy = ref(false)

/** Nothing said: what the drawer holds that is most unlike. */
async function put(colours?: number[]) {
  busy.value = true
  try {
    data.value = await got(api.PUT('/api/strip', { body: { colours } }))
  } catch (error) {
    notices.fail(error)
  } finally {
    busy.value = false
  }
}
const ids = () => boxes.value.flatMap((one) => (one ? [one.id] : []))
function pick(picked: Picked) {
  const at = picking.value
  picking.value = null
  if (!('swatch' in picked) || at === null) return
  const before = boxes.value[at]
  void put(
    before
      ? ids().map((id) => (id === before.id ? picked.swatch.id : id))
      : [...ids(), picked.swatch.id],
  )
}
</script>

<template>
  <main class="overflow-y-auto p-6 small:p-3">
    <RouterLink to="/papers" class="text-xs underline">Papers</RouterLink>
    <header class="head justify-between">
      <h1 class="text-xl">Strip of known swatches</h1>
      <span v-if="boxes.length" class="flex flex-wrap gap-2">
        <a class="button button-main" href="/api/strip/sheet?sheet=letter" download>
          <ArrowDownTrayIcon class="size-4" aria-hidden="true" />Print it, Letter
        </a>
        <a class="button" href="/api/strip/sheet?sheet=a4" download>A4</a>
      </span>
    </header>
    <p class="mb-4 max-w-[760px]">
      A lamp changes colours in a photo more than white card can tell. Swatches whose colours are
      known tell the rest: print this strip on white card, fill each box with one layer of its own
      colour, and lay it on the edge of whatever you photograph. It is found by itself, whichever
      way round it lies, and it is the white card as well.
    </p>
    <p v-if="!data" class="text-soft">Fetching the strip …</p>
    <div v-else-if="!boxes.length" class="panel max-w-xl p-6">
      <p class="mb-4">
        You have none yet. Eight of your colours that are most unlike one another are chosen; you
        can change each.
      </p>
      <button type="button" class="button button-main" :disabled="busy" @click="put()">
        Choose them for me
      </button>
    </div>
    <template v-else>
      <ol
        class="mb-4 flex w-fit flex-wrap gap-3 border border-line bg-[#fff] p-4 text-[#161616]"
        aria-label="The strip, box by box"
      >
        <li v-for="(one, at) in boxes" :key="at" class="w-24">
          <button
            type="button"
            class="block h-24 w-full border border-black"
            :style="one ? { background: shade(one) } : {}"
            :aria-label="`Change ${one ? one.label : 'the empty box'}`"
            @click="picking = at"
          />
          <b class="mt-1 block truncate">{{ one ? one.label : 'gone' }}</b>
          <span class="block truncate text-xs">{{ one?.range_name }}</span>
          <button
            v-if="one"
            type="button"
            class="text-xs underline"
            :disabled="busy"
            @click="put(ids().filter((id) => id !== one.id))"
          >
            Leave out<span class="sr-only"> {{ one.label }}</span>
          </button>
        </li>
      </ol>
      <p class="mb-4 max-w-[760px] text-xs text-soft">
        Six or more that are unlike one another undo a lamp; with fewer than three nothing can be
        gone by. What you read with a reader counts more. When you change the strip, print it anew:
        an old one says something else.
      </p>
      <div class="flex flex-wrap gap-2">
        <button
          v-if="boxes.length < data.most"
          type="button"
          class="button"
          :disabled="busy"
          @click="picking = boxes.length"
        >
          Add a colour
        </button>
        <button type="button" class="button" :disabled="busy" @click="put()">
          Choose them for me again
        </button>
        <button type="button" class="button button-plain" :disabled="busy" @click="put([])">
          I have no strip
        </button>
      </div>
    </template>
    <FindDialog
      v-if="picking !== null"
      act="put it on the strip"
      @close="picking = null"
      @pick="pick"
    />
  </main>
</template>
