<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, got } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useNotices } from '@/lib/notices'
import { useSession } from '@/lib/session'
import { plural } from '@/lib/words'
import CardsOfSet from './CardsOfSet.vue'
import type { HowMany } from './set'
import Field from '@/ui/Field.vue'

/** The sets of cards that are made together. */
const router = useRouter()
const session = useSession()
const notices = useNotices()
const making = ref(false)
const name = ref('')
const { data } = useFetched([], () => got(api.GET('/api/sets')))
async function make(cards: HowMany[]) {
  try {
    const body = { name: name.value || 'Made together', cards }
    const made = await got(api.POST('/api/sets', { body }))
    await router.push(`/cards/sets/${made.id}`)
    return true
  } catch (error) {
    notices.fail(error)
    return false
  }
}
</script>

<template>
  <main class="overflow-y-auto p-6 small:p-3">
    <RouterLink to="/cards" class="text-xs underline">Cards</RouterLink>
    <header class="head justify-between">
      <h1 class="text-xl">Sets</h1>
      <button type="button" class="button button-main" @click="making = true">
        Put cards together
      </button>
    </header>
    <p v-if="!data" class="text-soft">Fetching your sets …</p>
    <div v-else-if="!data.length" class="panel max-w-xl p-6">
      <h2 class="mb-2 text-lg">No sets yet</h2>
      <p>
        While everything is out, one makes several. Take a card “in other colours”, and the two are
        a set; or put any cards together: what is cut, bought and done for them is planned as one.
      </p>
    </div>
    <ul v-else class="grid grid-cols-[repeat(auto-fill,minmax(270px,1fr))] gap-5">
      <li v-for="one in data" :key="one.id">
        <RouterLink :to="`/cards/sets/${one.id}`" class="panel block h-full p-4 hover:border-ink">
          <h2 class="text-base">{{ one.name }}</h2>
          <p class="mt-1 text-xs">{{ plural(one.count, 'card') }} to make</p>
          <p class="mt-1 text-xs break-words text-soft">{{ one.cards.join(', ') }}</p>
        </RouterLink>
      </li>
    </ul>
    <CardsOfSet
      v-if="making"
      title="Put cards together"
      act="Make the set"
      :there="[]"
      :make="make"
      @close="making = false"
    >
      <Field label="Name">
        <input
          v-model="name"
          class="input mb-4"
          :maxlength="session.limits?.name"
          placeholder="Made together"
        />
      </Field>
    </CardsOfSet>
  </main>
</template>
