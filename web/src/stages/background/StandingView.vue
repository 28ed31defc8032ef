<script setup lang="ts">
import { computed } from 'vue'
import type { Ground } from '@/api/client'
import { useCard } from '@/card/card'
import CheckItem from '@/card/CheckItem.vue'
import { standing } from './ground'

/** Whether it runs evenly, and how picture and lettering stand on it where they lie. */
defineProps<{ ground: Ground }>()
const store = useCard()
const checks = computed(() => standing(store.card!.checks))
</script>

<template>
  <section aria-label="How the ground stands">
    <p v-if="!checks.length" class="panel p-4">
      Nothing lies on the card yet. Take pads under Pads and joins, and what holds of the ground
      stands here.
    </p>
    <ul class="space-y-3">
      <li v-for="one in checks" :key="one.id" class="panel p-3">
        <CheckItem :check="one" />
      </li>
    </ul>
    <p v-if="ground.built" class="mt-3 text-xs text-soft">
      How picture, words and mats stand is judged on what they really lie on:
      <RouterLink :to="`/cards/${store.card!.id}/contrast`" class="underline">Contrast</RouterLink>
      shows all of it.
    </p>
  </section>
</template>
