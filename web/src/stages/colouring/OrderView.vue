<script setup lang="ts">
import { computed } from 'vue'
import type { Area } from '@/api/client'
import { useSession } from '@/lib/session'
import OnOff from '@/ui/OnOff.vue'
import { usePicture } from './picture'

/** What to colour after what, areas of one family together, and each stroke of it. */
const { picture, set } = usePicture()
const session = useSession()
const areas = computed(() => new Map(picture.value.areas.map((area) => [area.key, area])))
const sessions = computed(() =>
  picture.value.sessions
    .map((one) => ({ ...one, areas: one.to.map((key) => areas.value.get(key)!) }))
    .filter((one) => one.areas[0]!.tones.length),
)
const covered = computed(() => picture.value.areas.filter((one) => one.covered))
/** What is done to some of the areas only, such as a glaze or one more layer. */
const apart = ([first, ...others]: Area[]) => {
  const shared = new Set(first!.order.map((step) => step.words))
  return others.flatMap((area) =>
    area.order
      .filter((step) => !shared.has(step.words))
      .map((step) => ({ ...step, words: `${area.name}: ${step.words}` })),
  )
}
const edges = (found: Area[]) =>
  [...new Set(found.map((area) => area.tones[area.edge ?? -1]?.swatch.label))].filter(Boolean)
</script>

<template>
  <div class="max-w-[860px]">
    <div class="mb-4 flex flex-wrap items-center gap-4">
      <OnOff :model-value="picture.dark_first" @update:model-value="set({ dark_first: $event })"
        >Dark first</OnOff
      >
      <p class="text-soft">
        {{
          picture.dark_first
            ? 'The shadow first, pulled out with the lighter tones.'
            : 'A light wash as a map, then darker; the light once more to join.'
        }}
      </p>
    </div>
    <p v-if="!sessions.length" class="panel p-4">
      No area has a family yet. Choose families under Areas, and the order of work stands here.
    </p>
    <p v-if="covered.length" class="mb-3 border-l-2 border-ink pl-3">
      <b>Not needed: covered.</b>
      {{ covered.map((one) => `${one.name} lies under ${one.covered_by}`).join('; ') }}.
    </p>
    <ol class="space-y-3">
      <li v-for="(one, n) in sessions" :key="n">
        <p v-if="one.wait" class="mb-3 border-l-2 border-ink pl-3 text-xs">{{ one.wait }}</p>
        <div class="panel p-3">
          <h2 class="mb-2 flex flex-wrap items-baseline gap-x-2 text-base">
            <span>{{ n + 1 }}</span>
            {{ one.areas.map((area) => area.name).join(', ') }}
            <span class="font-sans text-xs font-normal text-soft">
              {{ one.words }}
            </span>
          </h2>
          <div class="flex flex-wrap gap-4">
            <div class="flex h-14 w-44 shrink-0 overflow-hidden rounded-data">
              <span
                v-for="tone in one.areas[0]!.tones"
                :key="tone.swatch.id"
                class="flex-1"
                :style="{ background: tone.shades[session.view] }"
              />
            </div>
            <ol class="min-w-60 flex-1 space-y-0.5">
              <li v-for="(step, at) in one.areas[0]!.order" :key="at">
                <p v-if="step.wait" class="text-xs text-soft">{{ step.wait }}</p>
                <b v-if="step.using !== null">{{
                  one.areas[0]!.tones[step.using]!.swatch.label
                }}</b>
                {{ step.words }}
              </li>
              <li v-for="step in apart(one.areas)" :key="step.words">
                <p v-if="step.wait" class="text-xs text-soft">{{ step.wait }}</p>
                {{ step.words }}
              </li>
              <li class="text-xs text-soft">
                If it is cut out, {{ edges(one.areas).join(' or ') }} along the edge hides the
                white.
              </li>
            </ol>
          </div>
        </div>
      </li>
    </ol>
  </div>
</template>
