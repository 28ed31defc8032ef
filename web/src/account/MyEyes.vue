<script setup lang="ts">
import { computed } from 'vue'
import type { Person } from '@/api/client'
import { useNotices } from '@/lib/notices'
import { useSession } from '@/lib/session'
import ChoiceList from '@/ui/ChoiceList.vue'
import OnOff from '@/ui/OnOff.vue'

/** How somebody's eyes tell colours, and whether training is to go easy on them. */
const session = useSession()
const notices = useNotices()
type Eyes = NonNullable<Person['eyes']>
const EYES = [
  { value: '' as Eyes, words: 'as most eyes' },
  { value: 'protan' as Eyes, words: 'red hardly seen (protan)' },
  { value: 'deutan' as Eyes, words: 'green hardly seen (deutan)' },
  { value: 'tritan' as Eyes, words: 'blue hardly seen (tritan)' },
]
const eyes = computed({
  get: () => session.person?.eyes ?? ('' as Eyes),
  set: (value) => void session.set({ eyes: value }).catch(notices.fail),
})
const valueOnly = computed({
  get: () => session.person?.value_only ?? true,
  set: (value) => void session.set({ value_only: value }).catch(notices.fail),
})
</script>

<template>
  <h2 class="mt-5 mb-2 text-base">My eyes</h2>
  <ChoiceList v-model="eyes" class="max-w-[260px]" label="My eyes" :options="EYES" />
  <template v-if="eyes">
    <OnOff v-model="valueOnly" class="mt-3">Lightness alone where I could not tell</OnOff>
    <p class="mt-2 text-xs text-soft">
      Training then asks for light and dark where these eyes, as predicted, could not tell the
      colours apart. An eye doctor says what yours are.
    </p>
  </template>
</template>
