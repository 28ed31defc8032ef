<script setup lang="ts">
import { nextTick, ref, watch } from 'vue'
import { PlusIcon } from '@heroicons/vue/20/solid'
import { useSession } from '@/lib/session'
import { useCard } from './card'

defineEmits<{ add: [] }>()
const store = useCard()
const session = useSession()
const strip = ref<HTMLElement | null>(null)
// The dialog gives the focus back to the page; who adds by keys goes on from the new colour.
watch(
  () => store.added,
  async (key) => {
    if (!key) return
    store.added = 0
    await nextTick()
    requestAnimationFrame(() =>
      strip.value?.querySelector<HTMLElement>(`[data-colour="${key}"]`)?.focus(),
    )
  },
)
</script>

<template>
  <section
    ref="strip"
    aria-label="Palette"
    class="relative flex shrink-0 gap-1.5 overflow-x-auto border-t border-line bg-wall px-3 py-2 small:px-1.5 small:py-1"
  >
    <button
      v-for="(colour, n) in store.card?.colours"
      :key="colour.key"
      :data-colour="colour.key"
      type="button"
      class="relative flex h-11 min-w-[92px] small:min-w-[56px] short:h-8 flex-1 cursor-pointer items-center overflow-hidden rounded-data border bg-sheet text-left"
      :class="
        store.lit === colour.key ? 'border-ink ring-1 ring-ink' : 'border-line hover:border-edge'
      "
      :aria-pressed="store.lit === colour.key"
      @click="store.take(colour.key)"
    >
      <b class="pl-2.5 font-title text-base">{{ n + 1 }}</b>
      <span class="min-w-0 flex-1 truncate px-2 small:sr-only">{{ colour.name }}</span>
      <span class="sr-only">, {{ colour.hue_name }}</span>
      <span
        class="h-full w-11 shrink-0 border-l border-edge small:ml-2 small:flex-1"
        :style="{ background: colour.shades[session.view] }"
      />
    </button>
    <button
      type="button"
      class="button shrink-0 !min-h-11 small:sticky small:right-0 short:!min-h-8"
      aria-keyshortcuts="/"
      @click="$emit('add')"
    >
      <PlusIcon class="size-4" aria-hidden="true" /><span class="small:sr-only">Add a colour</span>
    </button>
  </section>
</template>
