<script setup lang="ts">
import { PlusIcon } from '@heroicons/vue/20/solid'
import { ref } from 'vue'
import type { Ground, PadUse } from '@/api/client'
import { plural } from '@/lib/words'
import ChoosePad from '@/card/ChoosePad.vue'
import JoinRow from './JoinRow.vue'
import PadRow from './PadRow.vue'
import RainbowDialog from './RainbowDialog.vue'
import TogetherView from './TogetherView.vue'
import StencilRow from './StencilRow.vue'
import { plainUse, useGround } from './ground'

/** The pads in their order, and how each meets the next. */
const { ground } = defineProps<{ ground: Ground }>()
const { setPads } = useGround()
const adding = ref(false)
const finding = ref(false)
const dragged = ref(-1)

function change(at: number, told: Partial<PadUse>) {
  return setPads(ground, (pads) => pads.map((pad, n) => (n === at ? { ...pad, ...told } : pad)))
}
function move(from: number, to: number) {
  if (from < 0 || to < 0 || to >= ground.pads.length || from === to) return
  void setPads(ground, (pads) => {
    pads.splice(to, 0, ...pads.splice(from, 1))
    return pads
  })
}
function drop(to: number) {
  move(dragged.value, to)
  dragged.value = -1
}
/** Whether a pad is the first that goes through its stencil. */
const opens = (at: number) => !at || ground.pads[at]!.layer > ground.pads[at - 1]!.layer
async function add(colour: number) {
  if (await setPads(ground, (pads) => [...pads, plainUse(colour)])) adding.value = false
}
</script>

<template>
  <section aria-label="Pads and joins" class="min-w-0">
    <p v-if="ground.lost" class="mb-2 border-l-2 border-ink pl-3">
      {{ plural(ground.lost, 'pad') }} of this ground left your supplies and stands in as it was
      known.
    </p>
    <p v-if="!ground.pads.length" class="panel mb-3 p-4">
      No pads yet. Take one to {{ ground.most_pads }}, from the palette or from the drawer; what
      lies between each two is shown before you brush it.
    </p>
    <ol>
      <li v-for="(pad, n) in ground.pads" :key="n" @dragover.prevent @drop.prevent="drop(n)">
        <StencilRow v-if="ground.stencilled && opens(n)" :pad="pad" @change="change(n, $event)" />
        <PadRow
          :pad="pad"
          :at="n"
          :count="ground.pads.length"
          :most-coats="ground.most_coats"
          :layered="ground.stencilled && n > 0"
          @grab="dragged = n"
          @change="change(n, $event)"
          @move="move(n, $event)"
          @remove="setPads(ground, (pads) => pads.filter((_, at) => at !== n))"
        />
        <JoinRow
          v-if="ground.joins[n]"
          :join="ground.joins[n]"
          :pad="pad"
          :next="ground.pads[n + 1]!.swatch.label"
          :at="n"
          @change="change(n, $event)"
        />
      </li>
    </ol>
    <div class="mt-3">
      <button
        v-if="ground.pads.length < ground.most_pads"
        type="button"
        class="button"
        :class="{ 'button-main': !ground.pads.length }"
        @click="adding = true"
      >
        <PlusIcon class="size-4" aria-hidden="true" />Add a pad
      </button>
      <p v-else class="text-soft">{{ ground.most_pads }} pads are the most.</p>
    </div>
    <button type="button" class="button mt-2" @click="finding = true">Find a rainbow …</button>
    <RainbowDialog v-if="finding" @close="finding = false" />
    <TogetherView v-if="ground.pads.length > 1" class="mt-5" />
    <ChoosePad v-if="adding" title="Add a pad" @take="add" @close="adding = false" />
  </section>
</template>
