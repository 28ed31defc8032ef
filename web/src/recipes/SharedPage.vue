<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, got } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useSession } from '@/lib/session'
import NothingHere from '@/ui/NothingHere.vue'
import RecipeSheet from '@/ui/RecipeSheet.vue'
import ArrivingView from './ArrivingView.vue'

/** A recipe that somebody shares by this link. */
const route = useRoute()
const session = useSession()
const bringing = ref(false)
const token = computed(() => String(route.params.token))
const { data, missing } = useFetched([token], () =>
  got(api.GET('/api/shared/{token}', { params: { path: { token: token.value } } })),
)
watch(data, (found) => found && (document.title = `${found.name} · Jindle`))
</script>

<template>
  <NothingHere v-if="missing" />
  <main v-else class="mx-auto max-w-[1100px] overflow-y-auto p-6">
    <header class="head">
      <h1 class="min-w-0 flex-1 text-xl break-words">{{ data?.name ?? 'A recipe' }}</h1>
      <button
        v-if="session.person"
        type="button"
        class="button"
        :class="!bringing && 'button-main'"
        :aria-pressed="bringing"
        @click="bringing = !bringing"
      >
        {{ bringing ? 'Show the sheet' : 'Make it of what I have' }}
      </button>
      <RouterLink v-else class="button" :to="{ path: '/sign-in', query: { to: route.fullPath } }"
        >Sign in to make it of what you have</RouterLink
      >
    </header>
    <ArrivingView v-if="bringing" :source="{ token }" />
    <RecipeSheet
      v-else-if="data"
      :address="`/api/shared/${token}/sheet`"
      :file="`/api/shared/${token}/file`"
      :name="data.name"
    />
  </main>
</template>
