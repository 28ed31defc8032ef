<script setup lang="ts">
import { computed } from 'vue'
import { api, got } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useNotices } from '@/lib/notices'
import LandedPalette from './LandedPalette.vue'
import { asKept, onSupplies } from './starting'
import { useWays } from './ways'

/** A shelf of combinations for when one is stuck: one's own, and a few that come with Jindle. */
const { column, owned, start } = useWays()
const notices = useNotices()
const question = computed(() => ({ column: column.value, owned: owned.value }))
const { data, refresh } = useFetched(question, () =>
  got(api.GET('/api/palettes/combinations', { params: { query: question.value } })),
)
async function remove(id: number) {
  try {
    await api.DELETE('/api/palettes/combinations/{id}', { params: { path: { id } } })
    await refresh()
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <p v-if="!data" class="text-soft">Fetching the combinations …</p>
  <div v-else class="space-y-4">
    <p class="text-soft">
      The thin band is the colour that was kept, below it the supply that comes nearest now. Keep
      more from a rule, from your drawer, or from any card’s palette.
    </p>
    <LandedPalette
      v-for="one in data"
      :key="one.id"
      :title="one.name"
      :about="one.own ? 'Mine' : 'Comes with Jindle'"
      :colours="one.colours"
      @changed="refresh"
    >
      <button v-if="one.own" type="button" class="button" @click="remove(one.id)">
        Take it off
      </button>
      <button type="button" class="button" @click="start(one.name, asKept(one.colours))">
        Start with the colours …
      </button>
      <button
        type="button"
        class="button button-main"
        @click="start(one.name, onSupplies(one.colours))"
      >
        Start with these supplies …
      </button>
    </LandedPalette>
  </div>
</template>
