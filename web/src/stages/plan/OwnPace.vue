<script setup lang="ts">
import type { Plan } from '@/api/client'
import { inWords, plural } from '@/lib/words'
import { usePlan } from './plan'

/** How long a person's own steps take them, beside the usual minutes. */
const { plan } = defineProps<{ plan: Plan }>()
const work = usePlan()
</script>

<template>
  <section v-if="plan.paces.length" aria-labelledby="own-pace" class="mt-5 max-w-[860px]">
    <h2 id="own-pace" class="mb-1 text-sm">Your own pace</h2>
    <ul class="mb-2 text-xs">
      <li v-for="one in plan.paces" :key="one.work">
        {{ inWords(one.work) }}: {{ one.share.toFixed(1) }} × the usual minutes, the middle of your
        last {{ plural(one.steps, 'step') }} of the kind
      </li>
    </ul>
    <button type="button" class="button !text-xs" @click="work.forgetPace()">
      Count with the usual minutes again
    </button>
  </section>
</template>
