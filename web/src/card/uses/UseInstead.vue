<script setup lang="ts">
import { ref } from 'vue'
import { api, got, type Mend, type Used } from '@/api/client'
import { useCard } from '@/card/card'
import { useFetched } from '@/lib/fetched'
import { useSession } from '@/lib/session'
import AppDialog from '@/ui/AppDialog.vue'
import FindColour, { type Picked } from '@/ui/FindColour.vue'
import TheFigure from '@/ui/TheFigure.vue'

/** Something else instead of a supply that the card uses, wherever it does: one press. */
const { thing } = defineProps<{ thing: Used }>()
const old = { source: 'supply' as const, id: thing.end.id }
const emit = defineEmits<{ close: [] }>()
const store = useCard()
const session = useSession()
const finding = ref(false)
const { data } = useFetched([], () =>
  got(
    api.GET('/api/cards/{id}/instead', {
      params: { path: { id: store.card!.id }, query: old },
    }),
  ),
)
async function take(mend: Mend) {
  if (await store.apply(mend)) emit('close')
}
async function pick(picked: Picked) {
  if (!('swatch' in picked)) return
  const supply = { source: 'supply' as const, id: picked.swatch.id }
  if (await store.change({ kind: 'use_instead', old, new: supply, areas: [] })) emit('close')
}
</script>

<template>
  <AppDialog :title="`Instead of ${thing.words}`" @close="$emit('close')">
    <FindColour v-if="finding" act="use it everywhere" @pick="pick" @leave="finding = false" />
    <template v-else>
      <p class="mb-3">It is taken wherever the card uses {{ thing.words }}, and can be undone.</p>
      <p v-if="!data" class="text-soft">Looking through the drawer …</p>
      <p v-else-if="!data.mends.length" class="text-soft">
        The drawer holds nothing that does the same work.
      </p>
      <div v-else class="space-y-1.5">
        <button
          v-for="(mend, n) in data.mends"
          :key="n"
          type="button"
          class="button w-full !justify-start"
          :disabled="store.busy"
          @click="take(mend)"
        >
          <span class="flex shrink-0" aria-hidden="true">
            <span class="size-7" :style="{ background: thing.shades[session.view] }" />
            <span
              v-if="mend.shades"
              class="size-7"
              :style="{ background: mend.shades[session.view] }"
            />
          </span>
          <span class="min-w-0 text-left break-words"
            >{{ mend.words }} <TheFigure :text="mend.figure"
          /></span>
        </button>
      </div>
      <button type="button" class="button mt-4" @click="finding = true">Another one …</button>
    </template>
  </AppDialog>
</template>
