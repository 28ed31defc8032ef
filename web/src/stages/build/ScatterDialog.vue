<script setup lang="ts">
import { ref } from 'vue'
import { alongValues } from '@/api/schema'
import { useSession } from '@/lib/session'
import { inWords } from '@/lib/words'
import AppDialog from '@/ui/AppDialog.vue'
import ChoiceList from '@/ui/ChoiceList.vue'
import { useBuild } from './build'

/** Finishing pieces along a line or around the picture; each can be moved by itself afterwards. */
const emit = defineEmits<{ close: [] }>()
const { store } = useBuild()
const session = useSession()
const count = ref(3)
const along = ref<(typeof alongValues)[number]>('from-corner-to-corner')
const colours = store.card!.colours
const accent = colours.find((one) => one.role === 'accent') ?? colours[0]
const colour = ref(accent?.key ?? 0)

async function scatter() {
  const material = colour.value
    ? { source: 'palette' as const, id: colour.value }
    : { source: 'white' as const, id: 0 }
  // Another throw each time; what was thrown is kept by its number.
  const seed = Math.floor(Math.random() * 10 ** 6)
  const told = { count: count.value, along: along.value, material, seed }
  if (await store.change({ kind: 'scatter', ...told })) emit('close')
}
</script>

<template>
  <AppDialog title="Scatter finishing pieces" @close="$emit('close')">
    <form class="space-y-4" @submit.prevent="scatter">
      <div>
        <span class="label">How many</span>
        <span class="flex gap-1.5" role="group" aria-label="How many">
          <button
            v-for="one in [3, 5, 7]"
            :key="one"
            type="button"
            class="button"
            :class="count === one && 'button-main'"
            :aria-pressed="count === one"
            @click="count = one"
          >
            {{ one }}
          </button>
        </span>
      </div>
      <div>
        <span class="label">Where</span>
        <ChoiceList
          v-model="along"
          label="Where"
          :options="alongValues.map((value) => ({ value, words: inWords(value) }))"
        />
      </div>
      <div>
        <span class="label">In which colour</span>
        <span class="flex flex-wrap gap-1.5" role="group" aria-label="In which colour">
          <button
            v-for="one in colours"
            :key="one.key"
            type="button"
            class="button"
            :class="colour === one.key && 'ring-1 ring-ink'"
            :aria-pressed="colour === one.key"
            @click="colour = one.key"
          >
            <span class="size-5" :style="{ background: one.shades[session.view] }" />{{ one.name }}
          </button>
        </span>
      </div>
      <button type="submit" class="button button-main" :disabled="store.busy">
        Scatter {{ count }}
      </button>
    </form>
  </AppDialog>
</template>
