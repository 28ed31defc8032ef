<script setup lang="ts">
import { RadioGroup, RadioGroupOption } from '@headlessui/vue'
import { WHITES, useScreen } from '@/lib/screen'

/** Whether this screen can be believed: its greys, its darks, its white beside a white card. */
const { white, blacks, darksRun, wide, words } = useScreen()
const GREYS = Array.from({ length: 11 }, (_, n) => Math.round((n * 255) / 10))
const DARKS = [4, 8, 12, 18, 26] // of 255: what a fair screen still tells from black in a dim room
const grey = (value: number) => `rgb(${value} ${value} ${value})`
const CHOICES = WHITES.filter((one) => one.value !== 'unknown')
</script>

<template>
  <main class="overflow-y-auto p-6 small:p-3">
    <RouterLink to="/account" class="text-xs underline">Account</RouterLink>
    <h1 class="mt-1 mb-2 text-xl small:text-lg">Check this screen</h1>
    <p class="mb-5 max-w-2xl">
      Colours are compared side by side, so that a screen that is a little off does little harm.
      Where you hold a card beside it, it does. Let the screen warm up, and switch off what makes it
      yellower in the evening.
    </p>
    <section class="mb-6" aria-labelledby="steps">
      <h2 id="steps" class="mb-1 text-base">Steps from black to white</h2>
      <p class="mb-2 text-xs">
        All eleven should be told apart, and none should look coloured. If not, turn the brightness
        or contrast until they are.
      </p>
      <div class="flex h-16 max-w-3xl" role="img" aria-label="Eleven greys from black to white">
        <span
          v-for="value in GREYS"
          :key="value"
          class="flex-1"
          :style="{ background: grey(value) }"
        />
      </div>
    </section>
    <section class="mb-6" aria-labelledby="darks">
      <h2 id="darks" class="mb-1 text-base">Near black</h2>
      <p class="mb-2 text-xs">How many squares do you see in the black, from the left?</p>
      <div
        class="mb-2 flex h-20 max-w-md items-center justify-around"
        :style="{ background: grey(0) }"
        role="img"
        aria-label="Five squares, a little lighter than the black around them"
      >
        <span
          v-for="value in DARKS"
          :key="value"
          class="size-12"
          :style="{ background: grey(value) }"
        />
      </div>
      <RadioGroup v-model="blacks" class="flex flex-wrap gap-1" aria-label="Squares that are seen">
        <RadioGroupOption
          v-for="count in DARKS.length + 1"
          :key="count"
          v-slot="{ checked }"
          :value="count - 1"
          class="rounded-panel"
        >
          <span class="button" :class="checked && 'button-main'">{{ count - 1 }}</span>
        </RadioGroupOption>
      </RadioGroup>
      <p v-if="blacks >= 0" class="mt-2 text-xs" role="status">
        {{
          darksRun
            ? 'On this screen darks run together: trust the words about dark colours, and the checks, over your eye.'
            : 'Darks can be told apart on this screen.'
        }}
      </p>
    </section>
    <section class="mb-6" aria-labelledby="white">
      <h2 id="white" class="mb-1 text-base">Its white, beside a white card</h2>
      <p class="mb-2 max-w-2xl text-xs">
        Hold a piece of your white card beside the screen, by daylight or your usual lamp. Which of
        these is the card most like? It is kept on this device alone.
      </p>
      <RadioGroup
        v-model="white"
        class="grid max-w-3xl grid-cols-2 gap-1 sm:grid-cols-5"
        aria-label="Which is the card most like?"
      >
        <RadioGroupOption
          v-for="one in CHOICES"
          :key="one.value"
          v-slot="{ checked }"
          :value="one.value"
          class="cursor-pointer rounded-panel border"
          :class="white === one.value ? 'border-ink ring-2 ring-ink' : 'border-line'"
        >
          <span class="block h-24 rounded-t-panel" :style="{ background: one.shade }" />
          <span class="block px-2 py-1.5 text-xs" :class="checked && 'font-semibold'">{{
            one.patch
          }}</span>
        </RadioGroupOption>
      </RadioGroup>
      <p
        v-if="white !== 'unknown' && white !== 'same'"
        class="mt-2 max-w-2xl text-xs"
        role="status"
      >
        This screen’s white is {{ words }}. Where a colour stands on the screen beside one in your
        hand, Jindle says so from now on. What stands side by side on the screen is compared as
        before.
      </p>
    </section>
    <section aria-labelledby="gamut">
      <h2 id="gamut" class="mb-1 text-base">Strong colours</h2>
      <p class="max-w-2xl">
        {{
          wide
            ? 'This screen shows more than the usual colours, and Jindle uses that: the strongest supplies are shown stronger.'
            : 'This screen shows the usual colours. Supplies that are stronger are marked “beyond screen” and shown as near as can be, as light as they are.'
        }}
      </p>
    </section>
  </main>
</template>
