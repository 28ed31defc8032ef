<script setup lang="ts">
import type { Ground } from '@/api/client'
import { useSession } from '@/lib/session'

/** What to do after what, with which pad and brush, and where to wait. */
defineProps<{ ground: Ground }>()
const session = useSession()
</script>

<template>
  <section aria-label="How to lay the ground">
    <p v-if="!ground.order.length" class="panel p-4">
      No pads yet. Take some under Pads and joins, and the order of work stands here.
    </p>
    <ol class="space-y-1.5">
      <li v-for="(step, n) in ground.order" :key="n">
        <p v-if="step.wait" class="mb-1.5 border-l-2 border-ink pl-3 text-xs">{{ step.wait }}</p>
        <div class="panel flex items-center gap-3 p-2">
          <span class="w-6 text-right font-title text-base">{{ n + 1 }}</span>
          <span
            class="h-8 w-10 shrink-0 rounded-[16px]"
            :class="{ 'border border-dashed border-line': step.using === null }"
            :style="
              step.using === null
                ? {}
                : { background: ground.inks[step.using]!.shades[session.view] }
            "
          />
          <p class="min-w-0 flex-1 first-letter:uppercase">
            <b v-if="step.using !== null">{{ ground.inks[step.using]!.label }}: </b>{{ step.words }}
          </p>
        </div>
      </li>
    </ol>
    <section v-if="ground.cautions.length" aria-labelledby="ground-care" class="mt-5">
      <h2 id="ground-care" class="mb-2 text-base">Take care</h2>
      <ul class="space-y-1.5">
        <li v-for="words in ground.cautions" :key="words">{{ words }}</li>
        <li class="text-soft">The product’s label and safety sheet go before what stands here.</li>
      </ul>
    </section>
  </section>
</template>
