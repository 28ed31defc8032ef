<script setup lang="ts">
import { computed } from 'vue'
import type { SheetScored } from '@/api/client'
import { plural } from '@/lib/words'
import StatusMark from '@/ui/StatusMark.vue'

/** A photographed page, row by row: what was laid, and whether it was right. */
const { scored } = defineProps<{ scored: SheetScored }>()
const answered = computed(() => scored.rows.filter((row) => row.answered))
const right = computed(() => answered.value.filter((row) => row.answered!.right).length)
</script>

<template>
  <div>
    <p class="mb-2 text-base" role="status">
      <b>{{ right }} of {{ plural(answered.length, 'row') }} right.</b>
      <span v-if="answered.length < scored.rows.length">
        {{ plural(scored.rows.length - answered.length, 'row') }} could not be read and
        {{ scored.rows.length - answered.length === 1 ? 'does' : 'do' }} not count yet.</span
      >
    </p>
    <p v-if="scored.warning" class="mb-2 border-l-2 border-ink pl-3">{{ scored.warning }}</p>
    <div class="flex flex-wrap items-start gap-4">
      <img :src="scored.preview" alt="The photographed page" class="w-40 border border-line" />
      <ol class="min-w-0 flex-1 basis-64 space-y-2">
        <li v-for="row in scored.rows" :key="row.row" class="flex gap-2.5">
          <StatusMark :status="row.answered ? (row.answered.right ? 'holds' : 'fails') : null" />
          <span class="min-w-0"
            ><b>{{ row.row }}</b> {{ row.answered ? row.answered.reason : row.trouble }}.<span
              v-if="row.before"
              class="text-xs text-soft"
            >
              Scored before: that counts.</span
            ></span
          >
        </li>
      </ol>
    </div>
    <p class="mt-2 text-xs text-soft">
      A photograph knows a colour to about ΔE {{ scored.uncertainty.toFixed(0) }}; the codes of a
      row are farther apart than that.
    </p>
  </div>
</template>
