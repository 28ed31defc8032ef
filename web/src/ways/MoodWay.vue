<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, got, type Mood } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useNotices } from '@/lib/notices'
import LandedPalette from './LandedPalette.vue'
import MoodDialog from './MoodDialog.vue'
import { onSupplies } from './starting'
import { useWays } from './ways'

/** Seasons and places: what is out of doors then and there, as a palette on real supplies. */
const { column, owned, start, keep } = useWays()
const notices = useNotices()
const changing = ref<Mood | null>(null)
const question = computed(() => ({ column: column.value, owned: owned.value }))
const { data, problem, refresh } = useFetched(question, () =>
  got(api.GET('/api/palettes/moods', { params: { query: question.value } })),
)
async function remove(id: number) {
  try {
    await got(api.DELETE('/api/palettes/moods/{id}', { params: { path: { id } } }))
    await refresh()
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <div>
    <p v-if="problem" role="alert" class="mb-4 border-l-2 border-ink pl-3">{{ problem }}</p>
    <p v-else-if="!data" class="text-soft">Going out to look …</p>
    <div v-else class="space-y-4">
      <template v-for="one in data" :key="one.key">
        <LandedPalette
          v-if="one.landing"
          :title="one.title"
          :about="one.about"
          :colours="one.landing.colours"
          :reasons="one.landing.reasons"
          @changed="refresh"
        >
          <button v-if="one.own" type="button" class="button" @click="remove(one.own)">
            Forget it
          </button>
          <button type="button" class="button" @click="changing = one">Make it my own …</button>
          <button
            type="button"
            class="button"
            @click="keep(one.title, onSupplies(one.landing.colours))"
          >
            Keep the colours …
          </button>
          <button
            type="button"
            class="button button-main"
            @click="start(one.title, onSupplies(one.landing.colours))"
          >
            Start a card …
          </button>
        </LandedPalette>
        <article v-else class="panel px-4 py-3">
          <h2 class="text-base">{{ one.title }}</h2>
          <p class="text-xs">{{ one.missing }}</p>
        </article>
      </template>
    </div>
    <MoodDialog
      v-if="changing"
      :from="changing"
      :question="question"
      @close="changing = null"
      @kept="((changing = null), refresh())"
    />
  </div>
</template>
