<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, got, type Asked } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useNotices } from '@/lib/notices'
import AppDialog from '@/ui/AppDialog.vue'
import ChoiceList from '@/ui/ChoiceList.vue'

/** What was found here, taken on a card of one's own: all over it, in a picture, in an area. */
const { what, title } = defineProps<{ what: Asked; title: string }>()
const emit = defineEmits<{ close: [] }>()
const notices = useNotices()
const { data, problem } = useFetched([], () => got(api.POST('/api/places', { body: what })))
const card = ref(0)
const place = ref(0)
watch(data, (found) => (card.value = found?.[0]?.id ?? 0))
watch(card, () => (place.value = 0))
const chosen = computed(() => data.value?.find((one) => one.id === card.value))
const busy = ref(false)

async function take() {
  const { id, version, places } = chosen.value!
  busy.value = true
  try {
    const change = places[place.value]!.change as never
    await got(
      api.POST('/api/cards/{id}/changes', { params: { path: { id } }, body: { version, change } }),
    )
    notices.show(`${title}: done on ${chosen.value!.name}. Undo is on the card.`)
    emit('close')
  } catch (error) {
    notices.fail(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <AppDialog :title="title" @close="$emit('close')">
    <p v-if="problem" role="alert" class="border-l-2 border-ink pl-3">{{ problem }}</p>
    <p v-else-if="!data" class="text-soft">Looking through your cards …</p>
    <p v-else-if="!data.length && what.card">
      No area of this card is coloured for it yet: give one a family under Colouring, then glaze it.
    </p>
    <p v-else-if="!data.length">None of your cards has a place for it.</p>
    <form v-else class="space-y-3" @submit.prevent="take">
      <div>
        <span class="label">On which card</span>
        <ChoiceList
          v-model="card"
          label="On which card"
          :options="data.map((one) => ({ value: one.id, words: one.name }))"
        />
      </div>
      <div v-if="chosen">
        <span class="label">Where</span>
        <ChoiceList
          v-model="place"
          label="Where"
          :options="chosen.places.map((one, n) => ({ value: n, words: one.words }))"
        />
      </div>
      <button type="submit" class="button button-main" :disabled="busy">Take it there</button>
    </form>
  </AppDialog>
</template>
