<script setup lang="ts">
import type { Training } from '@/api/client'
import { useScreen } from '@/lib/screen'
import { plural } from '@/lib/words'

/** What can be learned before a screen, and what only at the table. */
defineProps<{ training: Training }>()
const { white, off, darksRun, words } = useScreen()
</script>

<template>
  <section class="panel p-4" aria-labelledby="teaches">
    <h2 id="teaches" class="mb-2 text-base">What a screen can teach</h2>
    <ul class="list-disc space-y-2 pl-4">
      <li>
        <b>Well:</b> light against dark whatever the hue, steps of a family, whether words read.
      </li>
      <li>
        <b>Roughly:</b> which of two colours is nearer. Two supplies that match on a screen may part
        under your lamp.
      </li>
      <li>
        <b>Not at all:</b> the grain of pencil, the veil of chalk, a colour stronger than a screen.
        Lay those: <RouterLink to="/training/paper" class="underline">on paper</RouterLink>.
      </li>
      <li v-if="white === 'unknown'">
        This screen has not been looked at.
        <RouterLink to="/account/screen" class="underline">Check it first</RouterLink>: a minute
        with a white card.
      </li>
      <li v-else-if="off">
        This screen’s white is {{ words }}: nearness is judged less surely on it, lightness as well
        as on any.
      </li>
      <li v-if="darksRun">
        On this screen darks run together: nothing is asked of the darkest colours here.
      </li>
      <li v-if="training.beyond_screen">
        {{ plural(training.beyond_screen, 'colour') }} of yours
        {{ training.beyond_screen === 1 ? 'is' : 'are' }} stronger than a screen shows, and asked on
        paper only.
      </li>
      <li v-if="training.rough">
        {{ plural(training.rough, 'colour') }} of yours
        {{ training.rough === 1 ? 'is' : 'are' }} known by the label alone, so that only wide
        differences are asked of {{ training.rough === 1 ? 'it' : 'them' }}.
        <RouterLink to="/supplies/sure" class="underline">Read them</RouterLink> and the questions
        get finer.
      </li>
    </ul>
    <p class="mt-3 text-xs text-soft">
      What lies nearer than its uncertainty is never asked. A swatch on your own paper, under your
      own lamp, is right where it differs from this.
    </p>
  </section>
</template>
