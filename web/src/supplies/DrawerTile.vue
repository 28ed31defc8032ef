<script setup lang="ts">
import { computed } from 'vue'
import type { DrawerEntry } from '@/api/client'
import SwatchShape from '@/drawing/SwatchShape.vue'
import { useOutbox } from '@/lib/outbox'
import { useSession } from '@/lib/session'
import OwnedCorner from '@/ui/OwnedCorner.vue'

/** A thing in the drawer: a colour with its code and name, or a sheet with its picture. */
const { entry } = defineProps<{ entry: DrawerEntry; name: string }>()
defineEmits<{ edit: [] }>()
const session = useSession()
const outbox = useOutbox()
const now = computed(() => outbox.fullnessNow(entry.swatch))
</script>

<template>
  <button
    type="button"
    class="relative flex h-full w-full cursor-pointer items-center gap-2 border border-line bg-sheet p-1.5 text-left hover:border-edge"
    @click="$emit('edit')"
  >
    <img
      v-if="entry.sheet"
      :src="`/api/papers/${entry.sheet}/picture?view=${session.view}`"
      alt=""
      class="size-12 shrink-0 object-cover"
      loading="lazy"
    />
    <SwatchShape v-else :swatch="entry.swatch" />
    <span class="min-w-0 flex-1 text-xs">
      <b class="block text-sm break-words">{{ name }}</b>
      <span v-if="!entry.sheet && entry.swatch.code" class="block truncate">{{
        entry.swatch.name
      }}</span>
      <span class="block" :class="now === 'dry' || now === 'low' ? 'font-semibold' : 'text-soft'"
        >{{ now }}<template v-if="entry.swatch.discontinued">, discontinued</template></span
      >
      <span v-if="entry.note" class="block truncate">{{ entry.note }}</span>
    </span>
    <OwnedCorner :swatch="entry.swatch" />
  </button>
</template>
