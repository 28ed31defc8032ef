<script setup lang="ts">
import { PlusIcon, Square2StackIcon, TrashIcon } from '@heroicons/vue/20/solid'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import type { Colouring } from '@/api/client'
import { useSession } from '@/lib/session'
import DrawnPicture from '@/drawing/DrawnPicture.vue'
import { usePicture } from './picture'

/** The pictures of the card: which one is on screen, its name, one more, one more like it. */
const { colouring } = defineProps<{ colouring: Colouring }>()
const emit = defineEmits<{ add: []; added: [] }>()
const { store, picture } = usePicture()
const session = useSession()
const route = useRoute()
const drawn = computed(() => new Map(store.card!.desk.pictures.map((one) => [one.key, one])))
const full = computed(() => colouring.pictures.length >= colouring.most_pictures)
const name = ref('')
watch(
  () => [picture.value.key, picture.value.name],
  () => (name.value = picture.value.name),
  { immediate: true },
)

const rename = () =>
  store.change({ kind: 'name_picture', picture: picture.value.key, name: name.value })
async function again() {
  const like = picture.value.key
  const added = await store.change({
    kind: 'add_picture',
    name: `${picture.value.name} again`,
    like,
  })
  if (added) emit('added')
}
</script>

<template>
  <section
    aria-label="Pictures"
    class="mb-3 flex max-h-[108px] flex-wrap items-stretch gap-1.5 overflow-y-auto p-px"
  >
    <div
      v-for="one in colouring.pictures"
      :key="one.key"
      class="flex h-12 items-stretch overflow-hidden rounded-data border bg-sheet text-xs"
      :class="
        one.key === picture.key ? 'border-ink ring-1 ring-ink' : 'border-line hover:border-ink'
      "
    >
      <RouterLink
        :to="{ query: { ...route.query, picture: one.key } }"
        class="flex max-w-44 items-center"
        :aria-current="one.key === picture.key ? 'true' : undefined"
        :aria-label="one.name"
      >
        <svg
          v-if="drawn.get(one.key)"
          :viewBox="`-20 -20 ${drawn.get(one.key)!.width + 40} ${drawn.get(one.key)!.height + 40}`"
          class="h-full w-16 shrink-0 p-1"
          :style="{ background: drawn.get(one.key)!.paper[session.view] }"
          aria-hidden="true"
        >
          <DrawnPicture :picture="drawn.get(one.key)!" class="pointer-events-none" />
        </svg>
        <span v-if="one.key !== picture.key" class="min-w-0 flex-1 truncate px-2.5">{{
          one.name
        }}</span>
      </RouterLink>
      <template v-if="one.key === picture.key">
        <input
          v-model="name"
          class="w-36 min-w-0 bg-transparent px-2.5 font-bold"
          aria-label="Name of the picture"
          :maxlength="session.limits?.name"
          @change="rename"
        />
        <button
          type="button"
          class="button button-plain !min-h-full"
          :disabled="full || store.busy"
          title="Another like it"
          @click="again"
        >
          <Square2StackIcon class="size-4" aria-hidden="true" />
          <span class="sr-only">Another like it</span>
        </button>
        <button
          v-if="colouring.pictures.length > 1"
          type="button"
          class="button button-plain !min-h-full"
          :disabled="store.busy"
          :title="`Take ${one.name} away`"
          :aria-label="`Take ${one.name} away`"
          @click="store.change({ kind: 'remove_picture', picture: one.key })"
        >
          <TrashIcon class="size-4" aria-hidden="true" />
        </button>
      </template>
    </div>
    <button type="button" class="button !min-h-12" :disabled="full" @click="$emit('add')">
      <PlusIcon class="size-4" aria-hidden="true" />Another picture
    </button>
  </section>
</template>
