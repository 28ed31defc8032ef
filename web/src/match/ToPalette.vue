<script setup lang="ts">
import { useSession } from '@/lib/session'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ApiError, got, type Role, type Target } from '@/api/client'
import { roleValues as ROLES } from '@/api/schema'
import { useFetched } from '@/lib/fetched'
import { useNotices } from '@/lib/notices'
import AppDialog from '@/ui/AppDialog.vue'
import ChoiceList from '@/ui/ChoiceList.vue'
import Field from '@/ui/Field.vue'

const session = useSession()

/** Send a colour to a card's palette. */
const { target } = defineProps<{ target: Target }>()
const emit = defineEmits<{ close: [] }>()
const router = useRouter()
const notices = useNotices()
const { data } = useFetched([], () => got(api.GET('/api/cards')))
const chosen = ref(0)
const role = ref<Role | ''>('')
const name = ref('')
const problem = ref('')
const card = computed(
  () => data.value?.cards.find((one) => one.id === chosen.value) ?? data.value?.cards[0],
)

async function send() {
  if (!card.value) return
  problem.value = ''
  const anchor = target.swatch ? { colour: target.swatch.id } : { value: target.label }
  try {
    await api.POST('/api/cards/{id}/changes', {
      params: { path: { id: card.value.id } },
      body: {
        version: card.value.version,
        change: {
          kind: 'add_colour',
          anchor,
          name: name.value,
          role: role.value || null,
          keep_pairs: false,
        },
      },
    })
    notices.show(`It is in the palette of “${card.value.name}”.`)
    emit('close')
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
</script>

<template>
  <AppDialog title="To a palette" @close="$emit('close')">
    <p v-if="!data" class="text-soft">Fetching your cards …</p>
    <div v-else-if="!card">
      <p class="mb-4">There is no card yet. Start one, then send the colour to its palette.</p>
      <button type="button" class="button button-main" @click="router.push('/cards')">
        Go to the cards
      </button>
    </div>
    <form v-else @submit.prevent="send">
      <span class="label">Card</span>
      <ChoiceList
        :model-value="card.id"
        label="Card"
        :options="data.cards.map((one) => ({ value: one.id, words: one.name }))"
        @update:model-value="(id) => (chosen = id)"
      />
      <div class="mt-3 grid grid-cols-2 gap-3">
        <div>
          <span class="label">Role</span>
          <ChoiceList
            v-model="role"
            label="Role"
            :options="[
              { value: '', words: 'as it seems' },
              ...ROLES.map((one) => ({ value: one, words: one })),
            ]"
          />
        </div>
        <Field label="Your name for it (or leave its own)">
          <input v-model="name" class="input" :maxlength="session.limits?.name" />
        </Field>
      </div>
      <p v-if="problem" role="alert" class="mt-3 border-l-2 border-ink pl-3">{{ problem }}</p>
      <button type="submit" class="button button-main mt-5">Add it</button>
    </form>
  </AppDialog>
</template>
