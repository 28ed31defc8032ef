<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Ground } from '@/api/client'
import { effectKindValues } from '@/api/schema'
import { useSession } from '@/lib/session'
import ChoiceList from '@/ui/ChoiceList.vue'
import OnOff from '@/ui/OnOff.vue'
import { useCard } from '@/card/card'
import ChoosePad from '@/card/ChoosePad.vue'
import { inWords } from '@/lib/words'
import { HANDS, useGround } from './ground'
import TheFigure from '@/ui/TheFigure.vue'

/** Water, splashes, white, shimmer, a pattern, a text stamp: what each would do here. */
const { ground } = defineProps<{ ground: Ground }>()
const session = useSession()
type Kind = (typeof effectKindValues)[number]
type Use = NonNullable<Parameters<ReturnType<typeof useGround>['set']>[0]['effects']>[number]
const WORDS: Record<Kind, string> = {
  'stencil-pattern': 'A stencil pattern, tone on tone',
  'text-stamp': 'A text stamp in the ground',
  'water-drops': 'Drops of water, dabbed off',
  'diluted-splashes': 'Splashes of diluted ink',
  'white-splashes': 'Splashes of opaque white',
  shimmer: 'Shimmer',
}
const inked = (kind: Kind) => ground.inked_effects.includes(kind)
const choosing = ref<Kind | null>(null)
const chosen = computed(() => new Map(ground.effects.map((one) => [one.effect, one])))
const store = useCard()
const findings = computed(
  () =>
    new Map(store.card!.checks.filter((one) => one.kind === 'effect').map((one) => [one.of, one])),
)
const uses = (shown: Ground): Use[] =>
  shown.effects.map(({ effect, colour, hand }) => ({ effect, colour, hand }))
/** Effects are sent whole, made of those that there are when their turn comes. */
const setEffects = (make: (effects: Use[]) => Use[]) =>
  store.change((now) => ({ kind: 'set_ground', effects: make(uses(now.background ?? ground)) }))

function put(kind: Kind, told: Partial<Use>) {
  return setEffects((effects) => {
    const before = effects.find((one) => one.effect === kind)
    const made = { effect: kind, colour: null, hand: 'middle' as const, ...before, ...told }
    return [...effects.filter((one) => one.effect !== kind), made]
  })
}
function turn(kind: Kind, on: boolean) {
  if (!on) return void setEffects((effects) => effects.filter((one) => one.effect !== kind))
  // Tone on tone is the ground's own pad again; without one, a pad is asked for.
  const own = ground.pads.at(-1)?.colour
  if (inked(kind) && !own) choosing.value = kind
  else void put(kind, inked(kind) ? { colour: own } : {})
}
async function take(colour: number) {
  if (await put(choosing.value!, { colour })) choosing.value = null
}
</script>

<template>
  <section aria-label="Over the ground" class="space-y-3">
    <div v-for="kind in effectKindValues" :key="kind" class="panel p-3">
      <div class="flex flex-wrap items-center gap-3">
        <OnOff
          class="min-w-60 flex-1"
          :model-value="chosen.has(kind)"
          @update:model-value="turn(kind, $event)"
          >{{ WORDS[kind] }}</OnOff
        >
        <template v-if="chosen.get(kind) && inked(kind)">
          <button type="button" class="button" @click="choosing = kind">
            <span
              v-if="chosen.get(kind)!.swatch"
              class="size-5 rounded-full"
              :style="{ background: chosen.get(kind)!.swatch!.shades[session.view] }"
            />
            {{ chosen.get(kind)!.swatch?.label ?? 'a pad that left your supplies' }}
            <span class="sr-only">, another pad for this</span>
          </button>
          <ChoiceList
            v-if="kind !== 'diluted-splashes'"
            class="w-[126px]"
            :model-value="chosen.get(kind)!.hand"
            :label="`Hand for ${inWords(kind)}`"
            :options="[...HANDS]"
            @update:model-value="put(kind, { hand: $event })"
          />
        </template>
      </div>
      <p v-if="findings.get(kind)" class="mt-1 pl-11">
        <b v-if="findings.get(kind)!.status !== 'holds'">Look again: </b>
        {{ findings.get(kind)!.reason || 'shows as it should' }}
        <TheFigure tip :text="findings.get(kind)!.figure" />
      </p>
    </div>
    <p class="text-xs text-soft">
      How far water lifts is an estimate by kind of pad; a scrap of the same card says more. Shimmer
      is drawn as hollow signs, since it is not predicted.
    </p>
    <ChoosePad v-if="choosing" :title="WORDS[choosing]" @take="take" @close="choosing = null" />
  </section>
</template>
