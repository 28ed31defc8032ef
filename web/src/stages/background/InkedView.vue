<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Ground } from '@/api/client'
import { useCard } from '@/card/card'
import { useSession } from '@/lib/session'
import ChoiceList from '@/ui/ChoiceList.vue'
import PaperChoice from '@/ui/PaperChoice.vue'
import ChoosePad from '@/card/ChoosePad.vue'
import { inWords } from '@/lib/words'
import { coatChoices, HANDS, useGround } from './ground'
import TheFigure from '@/ui/TheFigure.vue'

/** A card for mats, inked by oneself where none matches. */
const { ground } = defineProps<{ ground: Ground }>()
const session = useSession()
const store = useCard()
const { set } = useGround()
const choosing = ref(false)
const mat = computed(() => ground.mat)
type Mat = NonNullable<Parameters<typeof set>[0]['mat']>
const HOW = [
  { value: 'edges', words: 'its edges only' },
  { value: 'whole', words: 'the whole sheet' },
]

function put(told: Partial<Mat>) {
  const plain = { colour: 0, hand: 'middle' as const, coats: 1, whole: false, paper: null }
  const { colour, hand, coats, whole, paper } = mat.value ?? plain
  return set({ mat: { colour, hand, coats, whole, paper, ...told } })
}
async function take(colour: number) {
  if (await put({ colour })) choosing.value = false
}
</script>

<template>
  <section aria-label="Card inked by myself">
    <p v-if="store.card!.built" class="panel p-4">
      This card is built of pieces, and each says for itself what it is of: choose a mat or strip
      under Build, then <i>Made of</i>, and a pad to ink it with.
      <RouterLink class="button mt-3" :to="`/cards/${store.card!.id}/build`"
        >Go to the pieces</RouterLink
      >
    </p>
    <div v-else-if="!mat" class="panel p-4">
      <p class="mb-3">
        Where no cardstock matches, a mat can be white card inked with a pad that is used already.
        Its edges are enough: the middle is covered.
      </p>
      <button type="button" class="button button-main" @click="choosing = true">
        Choose the pad
      </button>
    </div>
    <div v-else class="panel flex flex-wrap gap-5 p-4">
      <svg
        viewBox="0 0 150 110"
        class="h-[132px] w-[180px] shrink-0"
        role="img"
        aria-label="The inked card"
      >
        <rect width="150" height="110" :fill="mat.shades[session.view]" />
        <rect
          v-if="!mat.whole"
          x="16"
          y="16"
          width="118"
          height="78"
          :fill="(mat.paper_swatch?.shades ?? ground.paper_shades)[session.view]"
        />
        <rect x="9" y="9" width="132" height="92" fill="none" class="covered" />
      </svg>
      <div class="min-w-60 flex-1 space-y-3">
        <p>
          As predicted<template v-if="mat.like"
            >: {{ inWords(mat.like.verdict) }} {{ mat.like.verdict === 'far' ? 'from' : 'to' }}
            {{ mat.like.name }}</template
          >.
          <TheFigure
            tip
            :text="`L* ${mat.lightness}, ± ${mat.uncertainty}${mat.like ? `, ΔE ${mat.like.distance}` : ''}`"
          />
          {{ mat.whole ? '' : 'Inside the dashed line it is covered.' }}
        </p>
        <div class="flex flex-wrap gap-2">
          <button type="button" class="button" @click="choosing = true">
            <span
              class="size-5 rounded-full"
              :style="{ background: mat.swatch.shades[session.view] }"
            />
            {{ mat.swatch.label }}<span class="sr-only">, another pad</span>
          </button>
          <PaperChoice
            :paper="mat.paper_swatch"
            white="White card"
            title="The card that is inked"
            :take="(paper) => put({ paper })"
          />
        </div>
        <div class="flex flex-wrap gap-2 *:w-[150px]">
          <ChoiceList
            :model-value="mat.whole ? 'whole' : 'edges'"
            label="How much of it"
            :options="HOW"
            @update:model-value="put({ whole: $event === 'whole' })"
          />
          <ChoiceList
            :model-value="mat.hand"
            label="Hand for the mat"
            :options="[...HANDS]"
            @update:model-value="put({ hand: $event })"
          />
          <ChoiceList
            :model-value="mat.coats"
            label="Coats of the mat"
            :options="coatChoices(ground.most_coats)"
            @update:model-value="put({ coats: $event })"
          />
        </div>
        <button type="button" class="button button-plain" @click="set({ mat: null })">
          Leave it out
        </button>
      </div>
    </div>
    <ChoosePad v-if="choosing" title="The pad for the mat" @take="take" @close="choosing = false" />
  </section>
</template>

<style scoped>
.covered {
  stroke: var(--edge);
  stroke-dasharray: 4 3;
}
</style>
