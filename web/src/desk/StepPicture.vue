<script setup lang="ts">
import { computed } from 'vue'
import type { Desk } from '@/api/client'
import DeskCard from '@/drawing/DeskCard.vue'
import DrawnPicture from '@/drawing/DrawnPicture.vue'

/** What a step is done to: the areas of a picture, or pieces where they lie on the card. */
const { desk, pieces, areas } = defineProps<{ desk: Desk; pieces: number[]; areas: number[] }>()
const lit = computed(() => new Set(areas))
const picture = computed(() =>
  areas.length
    ? desk.pictures.find((one) => one.shapes.some((shape) => lit.value.has(shape.key)))
    : undefined,
)
const shown = computed(() => new Set(pieces.filter((key) => key > 0)))
const inside = computed(
  () => shown.value.size > 0 && desk.inside.some((part) => shown.value.has(part.piece)),
)
</script>

<template>
  <div>
    <svg
      v-if="picture"
      :viewBox="`0 0 ${picture.width} ${picture.height}`"
      class="block h-full w-full"
      role="img"
      aria-label="The picture, with what is coloured now"
    >
      <DrawnPicture :picture="picture" :chosen="lit" />
    </svg>
    <DeskCard v-else :desk="desk" words="at the desk" :pieces="shown" :inside="inside" />
  </div>
</template>
