<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRanges } from '@/lib/ranges'
import { api, got, type Following } from '@/api/client'
import { useCard } from '@/card/card'
import FollowersView from '@/card/following/FollowersView.vue'
import { useFetched } from '@/lib/fetched'
import { useOnlyOwned } from '@/lib/owned'
import { plural } from '@/lib/words'
import AppDialog from '@/ui/AppDialog.vue'
import OnOff from '@/ui/OnOff.vue'

/** “I have only these ranges”: the whole card moves to them, shown before and after. */
const emit = defineEmits<{ close: [] }>()
const store = useCard()
const chosen = ref<number[]>([])
const held = ref<string[]>([])
const owned = useOnlyOwned('cards')
const last = ref<Following | null>(null)
const ranges = useRanges()
const {
  data: moved,
  problem,
  busy,
} = useFetched([chosen, owned, held, () => store.card?.version], () =>
  chosen.value.length
    ? got(
        api.POST('/api/cards/{id}/move', {
          params: { path: { id: store.card!.id } },
          body: { ranges: chosen.value, owned: owned.value, held: held.value },
        }),
      )
    : null,
)
watch(moved, (found) => (last.value = found ?? (chosen.value.length ? last.value : null)))
const going = computed(
  () => last.value?.followers.filter((one) => !one.fixed && !one.held).length ?? 0,
)

function toggle(id: number) {
  chosen.value = chosen.value.includes(id)
    ? chosen.value.filter((one) => one !== id)
    : [...chosen.value, id]
}
async function move() {
  const change = last.value!.change as Record<string, unknown> | null
  if (await store.apply({ change })) emit('close')
}
</script>

<template>
  <AppDialog title="Move this card to other ranges" wide @close="$emit('close')">
    <p class="mb-3">
      Choose the ranges you have. Cells, shading families, pads, card and papers go to theirs: a
      family keeps its steps, and nothing is used twice while there is enough. Locked cells stay.
    </p>
    <div class="mb-4 flex flex-wrap gap-1.5" role="group" aria-label="Ranges">
      <button
        v-for="range in ranges ?? []"
        :key="range.id"
        type="button"
        class="button"
        :class="chosen.includes(range.id) && 'button-main'"
        :aria-pressed="chosen.includes(range.id)"
        @click="toggle(range.id)"
      >
        {{ range.name }} <span class="text-xs font-normal">{{ range.medium }}</span>
      </button>
    </div>
    <OnOff v-model="owned" class="mb-4">Only what I own</OnOff>
    <p v-if="problem" role="alert">{{ problem }}</p>
    <p v-if="!chosen.length" class="text-soft">No range is chosen yet.</p>
    <template v-else-if="last">
      <FollowersView v-model:held="held" :found="last" :name="store.card!.name" :busy="busy" />
      <p v-if="last.unserved.length" class="mb-4 text-soft">
        None of these ranges serves {{ last.unserved.join(', ').toLowerCase() }}; those stay as they
        are.
      </p>
      <button
        type="button"
        class="button button-main"
        :disabled="!last.change || busy || store.busy"
        @click="move"
      >
        Move {{ plural(going, 'thing') }}
      </button>
    </template>
  </AppDialog>
</template>
