<script setup lang="ts">
import type { Ground } from '@/api/client'
import { useCard } from '@/cards/card'
import StatusMark from '@/ui/StatusMark.vue'
import { useGround } from './ground'

/** Whether it runs evenly, and how picture and lettering stand on it where they lie. */
defineProps<{ ground: Ground }>()
const store = useCard()
const { set } = useGround()
</script>

<template>
  <section aria-label="How the ground stands">
    <p v-if="!ground.findings.length" class="panel p-4">
      Nothing lies on the card yet. Take pads under Pads and joins, and what holds of the ground
      stands here.
    </p>
    <ul class="space-y-3">
      <li v-for="one in ground.findings" :key="one.key" class="panel flex gap-3 p-3">
        <StatusMark :status="one.status" />
        <div class="min-w-0 flex-1">
          <p>
            <b>{{ one.title }}</b>
            <span v-if="one.status === 'holds'">{{
              one.reason ? `: ${one.reason}` : ' holds'
            }}</span>
            <span v-else>: {{ one.reason }}</span>
          </p>
          <p v-if="one.figure" class="text-xs text-soft">
            {{ one.figure
            }}<template v-if="one.status !== 'holds'">, wants {{ one.limit }}</template>
          </p>
          <div v-if="one.mends.length" class="mt-1.5 flex flex-wrap gap-1.5">
            <button
              v-for="mend in one.mends"
              :key="mend.words"
              type="button"
              class="button text-xs"
              :disabled="store.busy"
              @click="set(mend.settings)"
            >
              {{ mend.words }}<template v-if="mend.figure">: {{ mend.figure }}</template>
            </button>
          </div>
        </div>
      </li>
    </ul>
  </section>
</template>
