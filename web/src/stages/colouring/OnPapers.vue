<script setup lang="ts">
import { api, got } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useSession } from '@/lib/session'
import AppDialog from '@/ui/AppDialog.vue'
import DrawnPicture from '@/drawing/DrawnPicture.vue'
import TheFigure from '@/ui/TheFigure.vue'
import { usePicture } from './picture'

/** The same picture on the kinds of paper that there are, side by side. */
const emit = defineEmits<{ close: [] }>()
const { store, picture, set } = usePicture()
const session = useSession()
const { data } = useFetched([], () =>
  got(
    api.GET('/api/cards/{id}/colouring/papers', {
      params: { path: { id: store.card!.id }, query: { picture: picture.value.key } },
    }),
  ),
)

async function take(paper: number | null) {
  if (await set({ paper })) emit('close')
}
</script>

<template>
  <AppDialog title="The same colours on other papers" wide @close="$emit('close')">
    <p v-if="!data" class="text-soft">Predicting …</p>
    <ul v-else class="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
      <li v-for="one in data" :key="one.words" class="panel overflow-hidden">
        <svg
          v-if="one.picture"
          :viewBox="`-20 -20 ${one.picture.width + 40} ${one.picture.height + 40}`"
          class="block w-full"
          :style="{ background: one.picture.paper[session.view] }"
          role="img"
          :aria-label="`The picture on ${one.words}`"
        >
          <DrawnPicture :picture="one.picture" />
        </svg>
        <div class="flex items-center gap-2 p-2">
          <span class="min-w-0 flex-1 text-xs">
            <b class="block">{{ one.words }}</b>
            {{ one.paper ? `${one.paper.range_name} ${one.paper.label}` : '' }}
            <TheFigure tip :text="`± ${one.uncertainty} where it is known least`" />
          </span>
          <button type="button" class="button" @click="take(one.paper?.id ?? null)">
            Use it<span class="sr-only">: {{ one.words }}</span>
          </button>
        </div>
      </li>
    </ul>
    <p class="mt-3 text-xs text-soft">
      Predicted from one layer on white; transparent colours take on what lies under them.
    </p>
  </AppDialog>
</template>
