<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ApiError, got, type Swatch, type WholeRange } from '@/api/client'
import { useNotices } from '@/lib/notices'
import { useSession } from '@/lib/session'
import { plural } from '@/lib/words'
import AppDialog from '@/ui/AppDialog.vue'
import NothingHere from '@/ui/NothingHere.vue'
import OnOff from '@/ui/OnOff.vue'
import OwnedCorner from '@/ui/OwnedCorner.vue'
import SwatchFacts from '@/ui/SwatchFacts.vue'
import SwatchShape from '@/ui/SwatchShape.vue'

const route = useRoute()
const router = useRouter()
const notices = useNotices()
const session = useSession()
const range = ref<WholeRange | null>(null)
const missing = ref(false)
const shown = ref<Swatch | null>(null)
const deleting = ref(false)
const onlyOwned = ref(session.onlyOwned)

watch(
  () => Number(route.params.id),
  async (id) => {
    if (!id) return
    try {
      range.value = await got(api.GET('/api/ranges/{id}', { params: { path: { id } } }))
      document.title = `${range.value.name} · Jindle`
    } catch (error) {
      if (error instanceof ApiError && error.status === 404) missing.value = true
      else notices.fail(error)
    }
  },
  { immediate: true },
)
const colours = computed(
  () => range.value?.colours.filter((swatch) => !onlyOwned.value || swatch.owned) ?? [],
)
const owned = computed(() => range.value?.colours.filter((swatch) => swatch.owned).length ?? 0)

async function own(swatches: Swatch[], value: boolean) {
  try {
    await api.POST('/api/drawer', {
      body: { colours: swatches.map((swatch) => swatch.id), owned: value },
    })
    for (const swatch of swatches) swatch.owned = value
  } catch (error) {
    notices.fail(error)
  }
}
async function remove() {
  try {
    await api.DELETE('/api/ranges/{id}', { params: { path: { id: range.value!.id } } })
    await router.push('/supplies')
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <NothingHere v-if="missing" />
  <main v-else-if="range" class="overflow-y-auto p-6">
    <RouterLink to="/supplies" class="text-xs underline">Supplies</RouterLink>
    <header class="mt-1 mb-4 flex flex-wrap items-start gap-4">
      <div class="min-w-0 flex-1">
        <h1 class="text-xl">{{ range.name }}</h1>
        <p class="text-soft">
          {{ range.maker ? `${range.maker}, ` : '' }}{{ range.medium }},
          {{ plural(range.count, 'colour') }}. {{ range.note }}
        </p>
      </div>
      <button v-if="range.own" type="button" class="button" @click="deleting = true">
        Delete this range …
      </button>
    </header>
    <div class="mb-4 flex flex-wrap items-center gap-5">
      <p>{{ owned }} of {{ range.count }} in my drawer</p>
      <button
        v-if="owned < range.count"
        type="button"
        class="button"
        @click="own(range.colours, true)"
      >
        I own the whole range
      </button>
      <OnOff v-model="onlyOwned">Only what I own</OnOff>
    </div>
    <p v-if="!colours.length" class="panel max-w-xl p-4">
      Nothing of this range is in your drawer. Switch the filter off and tick what you own.
    </p>
    <ul class="grid grid-cols-[repeat(auto-fill,minmax(188px,1fr))] gap-1.5">
      <li
        v-for="swatch in colours"
        :key="swatch.id"
        class="relative flex items-center gap-1 border border-line bg-sheet pr-2"
      >
        <button
          type="button"
          class="flex min-w-0 flex-1 cursor-pointer items-center gap-2 p-1.5 text-left"
          @click="shown = swatch"
        >
          <SwatchShape :swatch="swatch" />
          <span class="min-w-0 flex-1 text-xs">
            <b class="block text-sm break-words">{{ swatch.label }}</b>
            <span v-if="swatch.code && swatch.name" class="block">{{ swatch.name }}</span>
            <span v-if="swatch.discontinued" class="block text-soft">discontinued</span>
          </span>
        </button>
        <input
          type="checkbox"
          class="mr-1 size-4 shrink-0 accent-ink"
          :checked="swatch.owned"
          :aria-label="`${swatch.label} is in my drawer`"
          @change="own([swatch], ($event.target as HTMLInputElement).checked)"
        />
        <OwnedCorner :owned="swatch.owned" />
      </li>
    </ul>
    <AppDialog v-if="shown" :title="shown.label" @close="shown = null"
      ><SwatchFacts :swatch="shown"
    /></AppDialog>
    <AppDialog v-if="deleting" title="Delete this range" @close="deleting = false">
      <p class="mb-4">
        {{ range.name }} with its {{ plural(range.count, 'colour') }} goes for good. Cards keep the
        values of the colours they took from it.
      </p>
      <button type="button" class="button button-main" @click="remove">
        Delete {{ range.name }}
      </button>
    </AppDialog>
  </main>
  <main v-else class="p-6 text-soft">Fetching the range …</main>
</template>
