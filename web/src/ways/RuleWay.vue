<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, got } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useSession } from '@/lib/session'
import AppDialog from '@/ui/AppDialog.vue'
import FindColour, { type Picked } from '@/ui/FindColour.vue'
import LandedList from './LandedList.vue'
import { useWays } from './ways'

/** Every rule's palette around one colour. */
const { column, owned } = useWays()
const session = useSession()
const route = useRoute()
const choosing = ref(false)
const base = ref<{ colour?: number; value?: string }>(
  route.query.colour ? { colour: Number(route.query.colour) } : { value: '48, -18, -26' },
)
const question = computed(() => ({
  ...base.value,
  column: column.value,
  owned: owned.value,
}))
const { data, problem, refresh } = useFetched(question, () =>
  got(api.GET('/api/palettes/rules', { params: { query: question.value } })),
)
function pick(picked: Picked) {
  choosing.value = false
  base.value = 'swatch' in picked ? { colour: picked.swatch.id } : { value: picked.text }
}
</script>

<template>
  <div>
    <p v-if="problem" role="alert" class="mb-4 border-l-2 border-ink pl-3">{{ problem }}</p>
    <div v-if="data" class="mb-4 flex flex-wrap items-center gap-4">
      <span
        class="h-12 w-24 rounded-data"
        :style="{ background: data.base.shades[session.view] }"
      />
      <p>
        <b>{{ data.base.label }}</b><span class="block text-xs text-soft"
          >{{ data.base.hue_name }}: every rule starts from it</span
        >
      </p>
      <button type="button" class="button" @click="choosing = true">Choose another colour</button>
    </div>
    <p v-else-if="!problem" class="text-soft">Turning the circle …</p>
    <LandedList v-if="data" :landings="data.landings" @changed="refresh">
      <p v-for="words in data.missing" :key="words" class="border-l-2 border-ink pl-3">
        {{ words }}
      </p>
    </LandedList>
    <AppDialog v-if="choosing" title="A colour to start from" @close="choosing = false">
      <FindColour act="start from it" @leave="choosing = false" @pick="pick" />
    </AppDialog>
  </div>
</template>
