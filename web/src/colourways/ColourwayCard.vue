<script setup lang="ts">
import type { Colourway } from '@/api/client'
import DeskCard from '@/drawing/DeskCard.vue'
import { useSession } from '@/lib/session'
import { plural } from '@/lib/words'

/** One proposal: how it would look, what it keeps and what gives way, and what would be to buy. */
defineProps<{ one: Colourway; name: string; taken?: number }>()
defineEmits<{ take: [] }>()
const session = useSession()
</script>

<template>
  <li class="panel flex flex-col overflow-hidden">
    <div class="h-52 bg-wall p-3">
      <DeskCard :desk="one.desk" :words="`${name}, ${one.words}`" />
    </div>
    <div class="flex h-4">
      <span
        v-for="(shades, n) in one.strip"
        :key="n"
        class="flex-1"
        :style="{ background: shades[session.view] }"
      />
    </div>
    <div class="flex flex-1 flex-col gap-1 p-3">
      <h2 class="text-base first-letter:uppercase">{{ one.words }}</h2>
      <p class="text-xs">
        <template v-if="one.gives_way.length"
          >{{ one.held - one.gives_way.length }} of {{ plural(one.held, 'check') }} still
          hold.</template
        ><template v-else>All {{ plural(one.held, 'check') }} that held do.</template>
        {{
          one.lacking.length
            ? ` ${one.lacking.length} of ${plural(one.supplies, 'supply', 'supplies')} to get.`
            : ' All of it is in the drawer.'
        }}
      </p>
      <ul class="flex flex-wrap gap-x-3 text-xs text-soft" aria-label="What it keeps">
        <li v-for="kept in one.keeps" :key="kept.how">{{ kept.how }}: {{ kept.words }}</li>
      </ul>
      <details v-if="one.gives_way.length || one.lacking.length" class="text-xs">
        <summary class="cursor-pointer">What gives way, and what to get</summary>
        <ul class="mt-1 list-disc pl-4">
          <li v-for="(lost, n) in one.gives_way" :key="n">
            <b>{{ lost.title }}:</b> {{ lost.words }}
          </li>
          <li v-if="one.lacking.length">To get: {{ one.lacking.join(', ') }}</li>
        </ul>
      </details>
      <RouterLink v-if="taken" :to="`/cards/${taken}/palette`" class="mt-auto underline"
        >It stands among your cards: open it</RouterLink
      >
      <button v-else type="button" class="button mt-auto w-fit" @click="$emit('take')">
        Take it<span class="sr-only">, {{ one.words }}</span>
      </button>
    </div>
  </li>
</template>
