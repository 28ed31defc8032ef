<script setup lang="ts">
import { api, got } from '@/api/client'
import { useCard } from '@/card/card'
import { useFetched } from '@/lib/fetched'
import { useOnlyOwned } from '@/lib/owned'
import { plural } from '@/lib/words'
import AppDialog from '@/ui/AppDialog.vue'
import OnOff from '@/ui/OnOff.vue'
import JoinStrip from './JoinStrip.vue'
import { useGround } from './ground'

/** Which pads give the full circle with clean overlaps: the best sets, laid with one press. */
const emit = defineEmits<{ close: [] }>()
const store = useCard()
const { set } = useGround()
const owned = useOnlyOwned('cards')
const { data } = useFetched([owned], () =>
  got(
    api.GET('/api/cards/{id}/ground/rainbows', {
      params: { path: { id: store.card!.id }, query: { owned: owned.value } },
    }),
  ),
)
async function lay(pads: NonNullable<typeof data.value>[number]['pads']) {
  await set({ pads, shape: 'bands' })
  emit('close')
}
</script>

<template>
  <AppDialog title="Find a rainbow" wide @close="$emit('close')">
    <p class="mb-3 text-soft">
      Two to five pads whose colours and clean overlaps go round the circle of hues, the best first.
    </p>
    <OnOff v-model="owned" class="mb-4">Only what I own</OnOff>
    <p v-if="!data" class="text-soft">Trying pads on one another …</p>
    <p v-else-if="!data.length">No two pads strong enough in colour, and predicted, are there.</p>
    <ul v-else class="space-y-2">
      <li v-for="(one, n) in data" :key="n">
        <button
          type="button"
          class="flex w-full cursor-pointer flex-wrap items-center gap-3 rounded-data border border-line bg-sheet p-1 text-left hover:border-ink"
          :disabled="store.busy"
          @click="lay(one.pads)"
        >
          <span class="flex w-[300px] shrink-0">
            <JoinStrip v-for="(join, at) in one.joins" :key="at" :join="join" class="h-10 flex-1" />
          </span>
          <span class="min-w-0 flex-1 py-1">
            <b class="block">{{
              one.whole
                ? `A rainbow of ${plural(one.pads.length, 'pad')}`
                : `Nearly: ${one.gap}° of the circle are missing`
            }}</b>
            <span class="block text-xs break-words">{{ one.words }}</span>
          </span>
        </button>
      </li>
    </ul>
  </AppDialog>
</template>
