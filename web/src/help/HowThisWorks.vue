<script setup lang="ts">
import { computed } from 'vue'
import AppDialog from '@/ui/AppDialog.vue'
import { helpOn } from './guide'

/** What a screen is for, with a picture of its own parts. */
const { about } = defineProps<{ about: string }>()
defineEmits<{ close: [] }>()
const entry = computed(() => helpOn(about))
const BASE = import.meta.env.BASE_URL
</script>

<template>
  <AppDialog v-if="entry" :title="`How this works: ${entry.title}`" wide @close="$emit('close')">
    <p class="mb-3">{{ entry.words }}</p>
    <div class="grid gap-4 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
      <img
        :src="`${BASE}guide/${entry.key}.webp`"
        :alt="`${entry.title}, its parts numbered as below`"
        width="960"
        height="600"
        class="h-auto w-full border border-line"
      />
      <ol class="list-decimal space-y-2 pl-5">
        <li v-for="part in entry.parts" :key="part.name">
          <b>{{ part.name }}.</b> {{ part.words }}
        </li>
      </ol>
    </div>
    <p class="mt-4 text-xs text-soft">
      The picture is of the demo. Special words are explained on the page
      <RouterLink to="/words" class="underline" @click="$emit('close')">Words</RouterLink>.
    </p>
  </AppDialog>
</template>
