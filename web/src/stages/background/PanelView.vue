<script setup lang="ts">
import { computed } from 'vue'
import type { Ground } from '@/api/client'
import { groundShapeValues } from '@/api/schema'
import { useCard } from '@/card/card'
import { useSession } from '@/lib/session'
import ChoiceList from '@/ui/ChoiceList.vue'
import GroundPanel from '@/drawing/GroundPanel.vue'
import OnOff from '@/ui/OnOff.vue'
import PaperChoice from '@/ui/PaperChoice.vue'
import { choices } from '@/lib/words'
import { isWet, useGround } from './ground'

/** The panel as it would look, wet or dry, and how it is laid out. */
const { ground } = defineProps<{ ground: Ground }>()
const store = useCard()
const session = useSession()
const { set } = useGround()
const panel = computed(() => (isWet.value ? ground.wet : ground.panel))
const box = computed(() => {
  const desk = store.card!.desk
  const part = desk.parts.find((one) => one.shape === 'ground') ?? desk
  return { x: 0, y: 0, width: part.width, height: part.height }
})
const SHAPES = choices(groundShapeValues)
const WISHES = [
  { value: 'quiet', words: 'a quiet one, that keeps still' },
  { value: 'dark', words: 'a dark one, that lets it shine' },
  { value: 'bright', words: 'a bright one, beside a full picture' },
] as const
</script>

<template>
  <section aria-label="The panel" class="space-y-3">
    <svg
      :viewBox="`0 0 ${box.width} ${box.height}`"
      class="block max-h-[240px] w-full"
      role="img"
      :aria-label="isWet ? 'The ground while it is wet, as predicted' : 'The ground, as predicted'"
    >
      <rect v-bind="box" :fill="ground.paper_shades[session.view]" />
      <GroundPanel v-if="panel" :panel="panel" :box="box" />
    </svg>
    <div class="flex flex-wrap items-center justify-between gap-2">
      <OnOff v-model="isWet">While wet</OnOff>
      <span class="text-xs text-soft">{{
        isWet ? 'darker now; chalk dries lightest' : 'as predicted, dry'
      }}</span>
    </div>
    <div>
      <span class="label">How it is laid out</span>
      <ChoiceList
        :model-value="ground.shape"
        label="How it is laid out"
        :options="SHAPES"
        @update:model-value="set({ shape: $event })"
      />
    </div>
    <OnOff
      v-if="ground.turns"
      :model-value="ground.across"
      @update:model-value="set({ across: $event })"
      >From left to right</OnOff
    >
    <OnOff
      v-if="ground.shape === 'vignette'"
      :model-value="ground.tinted"
      @update:model-value="set({ tinted: $event })"
      >Cover the centre lightly</OnOff
    >
    <OnOff
      v-if="ground.stencilled"
      :model-value="ground.back"
      @update:model-value="set({ back: $event })"
      >Back up with what is left on the brush</OnOff
    >
    <OnOff
      v-if="ground.pads.length"
      :model-value="ground.one_side"
      @update:model-value="set({ one_side: $event })"
      >My brush always comes in from the left</OnOff
    >
    <div>
      <span class="label">On</span>
      <PaperChoice
        :paper="ground.paper"
        :shade="ground.paper_shades[session.view]"
        white="White card"
        title="The card under the ground"
        :take="(paper) => set({ paper })"
      />
    </div>
    <div>
      <span class="label">For the picture I want</span>
      <ChoiceList
        :model-value="ground.wish"
        label="For the picture I want"
        :options="[...WISHES]"
        @update:model-value="set({ wish: $event })"
      />
    </div>
    <p v-if="ground.built" class="text-xs text-soft">
      This card is built of pieces: what the ground is on, and what the words lie on, is said in
      <RouterLink :to="`/cards/${store.card!.id}/build`" class="underline">Build</RouterLink>.
    </p>
    <OnOff v-else :model-value="ground.lettered" @update:model-value="set({ lettered: $event })"
      >Lettering straight on it</OnOff
    >
  </section>
</template>
