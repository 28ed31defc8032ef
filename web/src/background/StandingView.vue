<script setup lang="ts">
import type { Ground } from '@/api/client'
import CheckItem from '@/cards/CheckItem.vue'

/** Whether it runs evenly, and how picture and lettering stand on it where they lie. */
defineProps<{ ground: Ground }>()
</script>

<template>
  <section aria-label="How the ground stands">
    <p v-if="!ground.findings.length" class="panel p-4">
      Nothing lies on the card yet. Take pads under Pads and joins, and what holds of the ground
      stands here.
    </p>
    <ul class="space-y-3">
      <li v-for="one in ground.findings" :key="one.id" class="panel p-3">
        <CheckItem :check="one" />
      </li>
    </ul>
  </section>
</template>
