<script setup lang="ts">
import { computed } from 'vue'
import type { Desk, Picture } from '@/api/client'
import DrawnPicture from './DrawnPicture.vue'

/** A picture where it lies on the card, with the white edge left around it, or only its shadow. */
const { part, picture } = defineProps<{
  part: Desk['parts'][number]
  picture: Picture
  lit?: number
  shadow?: boolean
}>()
const turn = computed(() =>
  part.mirrored ? `translate(${picture.width} 0) scale(-1 1)` : undefined,
)
</script>

<template>
  <svg
    :x="part.x"
    :y="part.y"
    :width="part.width"
    :height="part.height"
    :viewBox="`0 0 ${picture.width} ${picture.height}`"
    overflow="visible"
  >
    <g v-if="shadow" :transform="turn" class="shadow">
      <path v-for="(shape, at) in picture.shapes" :key="at" :d="shape.path" />
    </g>
    <template v-else>
      <g
        v-if="part.rim"
        fill="#ffffff"
        stroke="#ffffff"
        stroke-linejoin="round"
        :stroke-width="(2 * part.rim * picture.width) / part.width"
        :transform="turn"
      >
        <path v-for="(shape, at) in picture.shapes" :key="at" :d="shape.path" />
      </g>
      <DrawnPicture :picture="picture" :lit="lit" :mirrored="part.mirrored" />
    </template>
  </svg>
</template>

<style scoped>
.shadow {
  fill: #000000;
  opacity: 0.25;
}
</style>
