<script setup lang="ts">
import { useSession } from '@/lib/session'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '@/api/client'
import { useNotices } from '@/lib/notices'
import AppDialog from '@/ui/AppDialog.vue'
import SizeFields, { type Size } from '@/cards/SizeFields.vue'
import { useCard } from './card'

const session = useSession()

const emit = defineEmits<{ close: []; copy: [] }>()
const store = useCard()
const notices = useNotices()
const router = useRouter()
const card = store.card!
const name = ref(card.name)
const size = ref<Size>({ width: card.size.width, height: card.size.height, unit: card.size.unit })
const sure = ref(false)

async function save() {
  if (await store.change({ kind: 'set_card', name: name.value, size: size.value })) emit('close')
}
async function remove() {
  try {
    await api.DELETE('/api/cards/{id}', { params: { path: { id: card.id } } })
    await router.push('/cards')
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <AppDialog title="Name and size" @close="$emit('close')">
    <form @submit.prevent="save">
      <label class="label" for="card-name">Name</label>
      <input
        id="card-name"
        v-model="name"
        class="input mb-4"
        required
        :maxlength="session.limits?.name"
      />
      <SizeFields v-model="size" />
      <div class="mt-5 flex flex-wrap gap-2">
        <button type="submit" class="button button-main">Save</button>
        <button type="button" class="button" @click="$emit('copy')">Copy this card …</button>
        <span class="flex-1" />
        <button v-if="!sure" type="button" class="button" @click="sure = true">
          Delete the card …
        </button>
        <button v-else type="button" class="button" @click="remove">
          Delete it for good, with its history
        </button>
      </div>
    </form>
  </AppDialog>
</template>
