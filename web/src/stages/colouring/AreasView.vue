<script setup lang="ts">
import { PlusIcon } from '@heroicons/vue/20/solid'
import { computed, ref } from 'vue'
import type { Colouring } from '@/api/client'
import { useCard } from '@/card/card'
import { useSession } from '@/lib/session'
import DrawnPicture from '@/drawing/DrawnPicture.vue'
import AreaPanel from './AreaPanel.vue'
import LightChoice from './LightChoice.vue'
import OnPapers from './OnPapers.vue'
import PicturePaper from './PicturePaper.vue'

/** The picture, its areas, and the one that is chosen. */
const { colouring } = defineProps<{ colouring: Colouring }>()
defineEmits<{ choose: [] }>()
const store = useCard()
const session = useSession()
const picked = ref(0)
const name = ref('')
const comparing = ref(false)
const picture = computed(() => store.card!.desk.picture)
const area = computed(
  () => colouring.areas.find((one) => one.key === picked.value) ?? colouring.areas[0],
)
const colours = computed(() => new Map(store.card!.colours.map((one) => [one.key, one])))

async function add() {
  if (await store.change({ kind: 'add_area', name: name.value, extent: 'small' })) name.value = ''
}
</script>

<template>
  <div class="grid gap-4 xl:grid-cols-[minmax(0,9fr)_minmax(0,11fr)]">
    <div>
      <svg
        v-if="picture"
        :viewBox="`-6 -6 ${picture.width + 12} ${picture.height + 12}`"
        class="mb-2 block max-h-[340px] w-full rounded-data"
        :style="{ background: picture.paper[session.view] }"
        role="img"
        aria-label="The picture, coloured as predicted"
      >
        <DrawnPicture
          :picture="picture"
          :lit="store.lit"
          :chosen="area?.key"
          @pick="picked = $event"
        />
      </svg>
      <p v-else class="panel mb-2 p-4">
        No picture yet.
        <button type="button" class="cursor-pointer underline" @click="$emit('choose')">
          Choose a line drawing
        </button>
        and its closed shapes become areas, or name the areas of your own stamp below.
      </p>
      <div class="mb-3 flex flex-wrap items-center gap-2">
        <LightChoice :light="colouring.light" />
        <PicturePaper :colouring="colouring" />
        <button v-if="picture" type="button" class="button" @click="comparing = true">
          On other papers
        </button>
      </div>
      <h2 class="mb-1 text-sm">Areas</h2>
      <ul v-if="colouring.areas.length" class="grid grid-cols-2 gap-1">
        <li v-for="one in colouring.areas" :key="one.key">
          <button
            type="button"
            class="flex min-h-8 w-full cursor-pointer items-center gap-2 rounded-data border px-2 text-left text-xs"
            :class="one.key === area?.key ? 'border-ink bg-sheet ring-1 ring-ink' : 'border-line'"
            :aria-pressed="one.key === area?.key"
            @click="picked = one.key"
          >
            <span class="flex h-5 w-14 shrink-0 overflow-hidden rounded-data border border-line">
              <span
                v-for="(tone, n) in one.tones"
                :key="n"
                class="flex-1"
                :style="{ background: tone.shades[session.view] }"
              />
              <span
                v-if="!one.tones.length && one.colour"
                class="flex-1"
                :style="{ background: colours.get(one.colour)?.shades[session.view] }"
              />
            </span>
            <span class="min-w-0 flex-1 truncate">{{ one.name }}</span>
            <span v-if="one.lost || one.judgement?.faults.length" class="font-bold">to see</span>
          </button>
        </li>
      </ul>
      <form class="mt-2 flex gap-2" @submit.prevent="add">
        <input
          v-model="name"
          class="input"
          required
          :maxlength="session.limits?.name"
          aria-label="Name of another area"
          placeholder="Another area, by its name"
        />
        <button type="submit" class="button">
          <PlusIcon class="size-4" aria-hidden="true" />Add
        </button>
      </form>
    </div>
    <AreaPanel v-if="area" :key="area.key" :area="area" :colouring="colouring" />
    <OnPapers v-if="comparing" @close="comparing = false" />
  </div>
</template>
