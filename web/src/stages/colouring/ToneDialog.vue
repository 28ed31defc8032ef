<script setup lang="ts">
import { computed } from 'vue'
import { api, got, type Area } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useOnlyOwned } from '@/lib/owned'
import { useSession } from '@/lib/session'
import { nearness } from '@/lib/words'
import AppDialog from '@/ui/AppDialog.vue'
import FindColour, { type Picked } from '@/ui/FindColour.vue'
import OwnedCorner from '@/ui/OwnedCorner.vue'

/** Another colour in a tone's place: one of its own medium that is near, or any by its code. */
type Tone = Area['tones'][number]
const { tone, near } = defineProps<{ tone?: Tone; near: Tone }>()
const emit = defineEmits<{ take: [id: number | null]; close: [] }>()
const session = useSession()
const owned = useOnlyOwned('cards')
const { data } = useFetched(owned, () =>
  got(api.GET('/api/like', { params: { query: { colour: near.swatch.id, owned: owned.value } } })),
)
const matches = computed(() =>
  (data.value?.ranges ?? [])
    .flatMap((range) => range.matches)
    .filter((match) => match.swatch.medium === near.swatch.medium),
)
function pick(picked: Picked) {
  if ('swatch' in picked) emit('take', picked.swatch.id)
}
</script>

<template>
  <AppDialog
    :title="tone ? `Instead of ${tone.swatch.label}, the ${tone.name}` : 'One more tone'"
    @close="$emit('close')"
  >
    <!-- Above what comes later, so that it stays where it is pressed. -->
    <button v-if="tone" type="button" class="button mb-4" @click="$emit('take', null)">
      Take {{ tone.swatch.label }} out
    </button>
    <ul v-if="tone && matches.length" class="mb-4 grid grid-cols-2 gap-1.5">
      <li v-for="match in matches" :key="match.swatch.id">
        <button
          type="button"
          class="relative flex w-full cursor-pointer gap-2 rounded-data border border-line bg-sheet pr-3 text-left text-xs hover:border-ink"
          @click="$emit('take', match.swatch.id)"
        >
          <span class="flex w-12 shrink-0 self-stretch">
            <span class="flex-1" :style="{ background: near.swatch.shades[session.view] }" />
            <span class="flex-1" :style="{ background: match.swatch.shades[session.view] }" />
          </span>
          <span class="min-w-0 py-1">
            <b class="block text-sm">{{ match.swatch.label }}</b>
            <span class="block truncate">{{ match.swatch.range_name }}</span>
            <span class="block">{{ nearness(match) }}</span>
          </span>
          <OwnedCorner :swatch="match.swatch" />
        </button>
      </li>
    </ul>
    <FindColour act="take it as the tone" @pick="pick" @leave="$emit('close')" />
  </AppDialog>
</template>
