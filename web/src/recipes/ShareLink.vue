<script setup lang="ts">
import { ref } from 'vue'
import { api, got } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useNotices } from '@/lib/notices'
import { day } from '@/lib/words'

/** A link to a recipe, for whoever has it: off until it is made, and ended with one press. */
const { of, id } = defineProps<{ of: 'cards' | 'records'; id: number }>()
const notices = useNotices()
const busy = ref(false)
const path = () => ({ params: { path: { id } } })
const { data, refresh } = useFetched([() => id, () => of], () =>
  got(
    of === 'cards'
      ? api.GET('/api/cards/{id}/link', path())
      : api.GET('/api/records/{id}/link', path()),
  ),
)
const whole = (address: string) => location.origin + address

async function attempt(action: () => Promise<unknown>, told: string) {
  busy.value = true
  try {
    await action()
    await refresh()
    notices.show(told)
  } catch (error) {
    notices.fail(error)
  } finally {
    busy.value = false
  }
}
const make = () =>
  attempt(
    () =>
      got(
        of === 'cards'
          ? api.POST('/api/cards/{id}/link', path())
          : api.POST('/api/records/{id}/link', path()),
      ),
    'Whoever has the link sees the recipe.',
  )
const end = (link: number) =>
  attempt(
    () => got(api.DELETE('/api/links/{id}', { params: { path: { id: link } } })),
    'The link leads nowhere any more.',
  )
</script>

<template>
  <div v-if="data" class="mb-3 flex flex-wrap items-center gap-2">
    <template v-if="data.link">
      <label :for="`link-${of}`" class="text-xs">
        Shared since {{ day(data.link.created) }}, as it was then
      </label>
      <input
        :id="`link-${of}`"
        class="input min-w-0 flex-1 basis-60 text-xs"
        readonly
        :value="whole(data.link.address)"
        @focus="($event.target as HTMLInputElement).select()"
      />
      <button type="button" class="button" :disabled="busy" @click="make">
        A new link, as it is now
      </button>
      <button type="button" class="button" :disabled="busy" @click="end(data.link.id)">
        End the link
      </button>
    </template>
    <template v-else>
      <button type="button" class="button" :disabled="busy" @click="make">Share by a link</button>
      <span class="text-xs text-soft">Until then nobody but you sees it.</span>
    </template>
  </div>
</template>
