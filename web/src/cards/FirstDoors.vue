<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, got } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useNotices } from '@/lib/notices'

/** Where to begin with nothing: from a paper or picture, from what is in the drawer, from a finished card. */
defineEmits<{ start: [] }>()
const router = useRouter()
const notices = useNotices()
const making = ref('')
const { data: examples } = useFetched([], () => got(api.GET('/api/examples')))
async function copy(name: string) {
  making.value = name
  try {
    const made = await got(api.POST('/api/examples', { body: { name } }))
    await router.push(`/cards/${made.id}/palette`)
  } catch (error) {
    notices.fail(error)
  } finally {
    making.value = ''
  }
}
</script>

<template>
  <div>
    <h2 class="mb-1 text-lg">No cards yet</h2>
    <p class="mb-4 max-w-2xl">
      A card starts with a palette. Where do you want to begin? Each way leads to colours that are
      checked against one another.
    </p>
    <!-- Above what is still on its way, so that nothing pushes it from under a finger. -->
    <span class="mb-4 flex flex-wrap gap-2">
      <button type="button" class="button" @click="$emit('start')">Start a card</button>
      <RouterLink to="/cards/ways" class="button">Find a palette first</RouterLink>
    </span>
    <ul class="grid gap-4 lg:grid-cols-3">
      <li class="panel flex flex-col gap-2 p-5">
        <h3 class="text-base">I have paper or a picture</h3>
        <p class="flex-1">
          Photograph a sheet of patterned paper, or bring any picture: its colours become a palette.
        </p>
        <RouterLink to="/papers/add" class="button button-main w-fit">Take its colours</RouterLink>
      </li>
      <li class="panel flex flex-col gap-2 p-5">
        <h3 class="text-base">I have these supplies</h3>
        <p class="flex-1">
          Paste the codes of your markers, pads and cards, bring a file, or tick a range: palettes
          are found in what you own.
        </p>
        <RouterLink to="/supplies/mine" class="button button-main w-fit">Say what I own</RouterLink>
      </li>
      <li v-if="examples?.length" class="panel flex flex-col gap-2 p-5">
        <h3 class="text-base">Show me a finished card</h3>
        <p>A whole card becomes yours, to look at and to take apart.</p>
        <ul class="flex flex-1 flex-col items-start gap-1">
          <li v-for="one in examples" :key="one.name">
            <button
              type="button"
              class="cursor-pointer text-left underline"
              :disabled="!!making"
              @click="copy(one.name)"
            >
              {{ making === one.name ? 'Laying it on the desk …' : one.name }}
            </button>
          </li>
        </ul>
      </li>
    </ul>
  </div>
</template>
