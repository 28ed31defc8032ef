<script setup lang="ts">
import { ref, watch } from 'vue'
import { api, got, type Following } from '@/api/client'
import { useCard } from '@/card/card'
import { useFetched } from '@/lib/fetched'
import AppDialog from '@/ui/AppDialog.vue'
import FollowersView from './FollowersView.vue'

/** A palette colour becomes another: asked once, with all that goes along, before and after. */
const { colourKey, anchor } = defineProps<{
  colourKey: number
  anchor: { colour?: number; value?: string }
}>()
const emit = defineEmits<{ close: [] }>()
const store = useCard()
const held = ref<string[]>([])
const name = store.card!.colours.find((one) => one.key === colourKey)!.name
const last = ref<Following | null>(null)
const { data, problem, busy } = useFetched([held, () => store.card?.version], () =>
  got(
    api.POST('/api/cards/{id}/follow', {
      params: { path: { id: store.card!.id } },
      body: { key: colourKey, ...anchor, held: held.value },
    }),
  ),
)
watch(data, async (found) => {
  last.value = found ?? last.value
  // Where nothing follows there is nothing to ask.
  if (found && !found.followers.length) await take(found)
})

async function take(found: Following) {
  if (await store.apply({ change: found.change as Record<string, unknown> | null })) emit('close')
}
const alone = () => store.change({ kind: 'reanchor', key: colourKey, anchor })
async function only() {
  if (await alone()) emit('close')
}
</script>

<template>
  <AppDialog :title="`${name} becomes another colour`" wide @close="$emit('close')">
    <p v-if="problem" role="alert">{{ problem }}</p>
    <p v-else-if="!last" class="text-soft">Seeing what follows …</p>
    <template v-else-if="last.followers.length">
      <p class="mb-3">
        What was in this colour, or near it, goes along: lighter or darker, warmer or cooler by as
        much, from your drawer.
      </p>
      <FollowersView v-model:held="held" :found="last" :name="store.card!.name" :busy="busy" />
      <div class="flex flex-wrap gap-2">
        <button
          type="button"
          class="button button-main"
          :disabled="busy || store.busy"
          @click="take(last)"
        >
          Take it, with what goes along
        </button>
        <button type="button" class="button" :disabled="store.busy" @click="only">
          Only the palette colour
        </button>
        <button type="button" class="button button-plain" @click="$emit('close')">
          Leave it as it is
        </button>
      </div>
    </template>
  </AppDialog>
</template>
