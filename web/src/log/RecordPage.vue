<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, form, got, type Made } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useNotices } from '@/lib/notices'
import { plural } from '@/lib/words'
import AppDialog from '@/ui/AppDialog.vue'
import PictureButton from '@/ui/PictureButton.vue'
import NothingHere from '@/ui/NothingHere.vue'
import ShareLink from '@/recipes/ShareLink.vue'
import RecipeSheet from '@/ui/RecipeSheet.vue'
import InsteadList from './InsteadList.vue'
import MarkLow from './MarkLow.vue'
import SaidFields from './SaidFields.vue'
import type { Said } from './said'

/** Something that was made, as it was then. */
const route = useRoute()
const router = useRouter()
const notices = useNotices()
const id = computed(() => Number(route.params.id))
const path = computed(() => ({ id: id.value }))
const { data, missing, refresh } = useFetched([id], () =>
  got(api.GET('/api/records/{id}', { params: { path: path.value } })),
)
const said = ref<Said | null>(null)
const leaving = ref(false)
watch(data, (made) => {
  if (!made) return
  const { made: day, count, occasion, person, went_well, to_change } = made
  said.value = { made: day, count, occasion, person, went_well, to_change }
  document.title = `${made.name} · Log · Jindle`
})

async function save(instead: Made['instead'] = data.value!.instead) {
  try {
    const body = { ...said.value!, version: data.value!.version, instead }
    data.value = await got(api.PUT('/api/records/{id}', { params: { path: path.value }, body }))
    notices.show('It is saved.')
  } catch (error) {
    notices.fail(error)
  }
}
const drop = (at: number) => save(data.value!.instead.filter((_, n) => n !== at))
async function addPhoto(file: File) {
  try {
    const body = form('/api/records/{id}/photos', { file })
    await got(api.POST('/api/records/{id}/photos', { params: { path: path.value }, body }))
    await refresh()
  } catch (error) {
    notices.fail(error)
  }
}
async function dropPhoto(photo: number) {
  try {
    data.value = await got(
      api.DELETE('/api/records/{id}/photos/{photo}', {
        params: { path: { ...path.value, photo } },
      }),
    )
  } catch (error) {
    notices.fail(error)
  }
}
async function forget() {
  try {
    await got(api.DELETE('/api/records/{id}', { params: { path: path.value } }))
    await router.push('/log')
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <NothingHere v-if="missing" />
  <main v-else-if="!data || !said" class="p-6 text-soft">Opening the record …</main>
  <main v-else class="overflow-y-auto p-6 small:p-3">
    <header class="head">
      <RouterLink to="/log" class="button">Back to the log</RouterLink>
      <h1 class="min-w-0 flex-1 truncate text-xl">{{ data.name }}</h1>
      <RouterLink v-if="data.card" :to="`/cards/${data.card}`" class="button"
        >The card as it is now</RouterLink
      >
      <button type="button" class="button button-plain" @click="leaving = true">
        Delete the record
      </button>
    </header>
    <div class="grid gap-6 xl:grid-cols-[minmax(0,5fr)_minmax(0,6fr)]">
      <div class="space-y-5">
        <section aria-labelledby="pictures">
          <h2 id="pictures" class="sr-only">Pictures</h2>
          <img
            v-if="data.picture"
            :src="data.picture"
            :alt="`“${data.name}” as it was made`"
            class="mb-2 max-h-80 max-w-full"
          />
          <ul class="mb-2 flex flex-wrap gap-2">
            <li v-for="(one, n) in data.photos" :key="one.id" class="text-center">
              <img :src="one.address" :alt="`Photo ${n + 1}`" class="h-20" />
              <button
                type="button"
                class="button button-plain !min-h-7 !text-xs"
                @click="dropPhoto(one.id)"
              >
                Take away<span class="sr-only">, photo {{ n + 1 }}</span>
              </button>
            </li>
          </ul>
          <PictureButton v-if="data.photos.length < data.most_photos" @file="addPhoto"
            >Add a photo</PictureButton
          >
          <RouterLink
            class="button ml-2"
            :to="{ path: '/log/which', query: { record: String(data.id) } }"
            >Which was it?</RouterLink
          >
        </section>
        <form class="panel p-4" @submit.prevent="save()">
          <SaidFields v-model="said" />
          <button type="submit" class="button button-main mt-3">Save</button>
        </form>
        <p v-if="data.together">
          Made in the set <b>{{ data.together }}</b><template v-if="data.others.length"
            >, together with
            <template v-for="(one, n) in data.others" :key="one.id"
              >{{ n ? ', ' : ''
              }}<RouterLink :to="`/log/${one.id}`" class="underline">{{
                one.name
              }}</RouterLink></template
            ></template
          >.
        </p>
        <section v-if="data.instead.length" aria-labelledby="otherwise">
          <h2 id="otherwise" class="mb-1 text-base">Done otherwise than planned</h2>
          <InsteadList :used="data.instead" @drop="drop" />
        </section>
        <section aria-labelledby="made-with">
          <h2 id="made-with" class="mb-1 text-base">
            Made with {{ plural(data.uses.length, 'supply', 'supplies') }}
          </h2>
          <ul class="flex flex-wrap gap-1.5">
            <li v-for="(one, n) in data.uses" :key="n" class="flex items-center gap-1">
              <RouterLink
                class="panel flex items-center gap-2 px-2 py-1"
                :to="{ path: '/log', query: { label: one.label, range: one.range_name } }"
                :title="`Where else ${one.label} was used`"
              >
                <span
                  class="size-5 rounded-data border border-line"
                  :style="{ background: one.shade }"
                />
                <span
                  ><b>{{ one.label }}</b>
                  <span class="block text-xs">{{ one.range_name }}, {{ one.stage }}</span></span
                >
              </RouterLink>
              <MarkLow
                v-if="one.id !== null && one.fullness !== null"
                :id="one.id"
                :label="one.label"
                :fullness="one.fullness"
              />
            </li>
          </ul>
        </section>
        <section v-if="data.times.length" aria-labelledby="took">
          <h2 id="took" class="mb-1 text-base">How long steps took</h2>
          <ul class="text-xs">
            <li v-for="(one, n) in data.times" :key="n">{{ one.words }}: {{ one.minutes }} min</li>
          </ul>
        </section>
      </div>
      <RecipeSheet
        :address="`/api/records/${id}/recipe`"
        :name="data.name"
        :fresh="`${data.version} ${data.photos.length}`"
        :file="`/api/records/${id}/recipe/file`"
      >
        <ShareLink :id="id" of="records" />
      </RecipeSheet>
    </div>
    <AppDialog v-if="leaving" title="Delete this record?" @close="leaving = false">
      <p class="mb-4">It is forgotten with its photos. The card itself stays.</p>
      <button type="button" class="button button-main" @click="forget">Delete it</button>
    </AppDialog>
  </main>
</template>
