<script setup lang="ts">
import { XMarkIcon } from '@heroicons/vue/20/solid'
import { computed } from 'vue'
import type { Plan } from '@/api/client'
import StatusMark from '@/ui/StatusMark.vue'
import { usePlan } from './plan'

/** What a person wants before what, and which of it cannot be; what an order of their own breaks. */
const { plan } = defineProps<{ plan: Plan }>()
const work = usePlan()
const against = computed(
  () => new Map(plan.impossible.map((one) => [`${one.first} ${one.then}`, one.reason])),
)
const broken = computed(() => plan.tasks.filter((task) => task.wrong.length))
const without = (gone: Plan['wishes'][number]) => (now: Plan) => ({
  before: now.wishes
    .filter((one) => one.first !== gone.first || one.then !== gone.then)
    .map((one) => [one.first, one.then]),
})
</script>

<template>
  <section v-if="plan.wishes.length || broken.length" class="mb-4 max-w-[860px]">
    <template v-if="plan.wishes.length">
      <h2 class="mb-1 text-sm">As you want it</h2>
      <ul class="mb-2 space-y-1">
        <li
          v-for="one in plan.wishes"
          :key="`${one.first} ${one.then}`"
          class="panel flex items-start gap-2 px-2 py-1"
        >
          <StatusMark
            class="mt-1"
            :status="against.has(`${one.first} ${one.then}`) ? 'fails' : 'holds'"
          />
          <p class="min-w-0 flex-1">
            {{ one.words }}
            <span v-if="against.has(`${one.first} ${one.then}`)" class="block text-xs">
              <b>It cannot be, and is left out:</b>
              {{ against.get(`${one.first} ${one.then}`) }}.
            </span>
          </p>
          <button
            type="button"
            class="button button-plain !min-h-7"
            :aria-label="`Take back: ${one.words}`"
            @click="work.want(without(one))"
          >
            <XMarkIcon class="size-4" aria-hidden="true" />
          </button>
        </li>
      </ul>
    </template>
    <p v-if="broken.length" role="status" class="border-l-2 border-ink pl-3">
      <b>{{ broken.length === 1 ? 'One step comes' : `${broken.length} steps come` }} too early.</b>
      Each says below what it would have to wait for. “Soonest finished” puts all of them right.
    </p>
  </section>
</template>
