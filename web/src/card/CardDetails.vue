<script setup lang="ts">
import { useSession } from '@/lib/session'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { useShelf } from '@/lib/shelf'
import AppDialog from '@/ui/AppDialog.vue'
import SizeFields, { type Size } from '@/cards/SizeFields.vue'
import { useCard } from './card'
import Field from '@/ui/Field.vue'

const session = useSession()

const emit = defineEmits<{ close: []; copy: [] }>()
const store = useCard()
const moves = useShelf('cards')
const router = useRouter()
const card = store.card!
const name = ref(card.name)
const size = ref<Size>({ width: card.size.width, height: card.size.height, unit: card.size.unit })

async function save() {
  if (await store.change({ kind: 'set_card', name: name.value, size: size.value })) emit('close')
}
async function putBy() {
  await moves.putBy(card, true)
  await router.push('/cards')
}
async function remove() {
  await moves.remove(card)
  await router.push('/cards')
}
</script>

<template>
  <AppDialog title="Name and size" @close="$emit('close')">
    <form @submit.prevent="save">
      <Field label="Name">
        <input v-model="name" class="input mb-4" required :maxlength="session.limits?.name" />
      </Field>
      <SizeFields v-model="size" />
      <div class="mt-5 flex flex-wrap gap-2">
        <button type="submit" class="button button-main">Save</button>
        <button type="button" class="button" @click="$emit('copy')">Copy this card …</button>
        <span class="flex-1" />
        <button type="button" class="button" @click="putBy">Put it by</button>
        <button type="button" class="button" @click="remove">Delete the card</button>
      </div>
    </form>
  </AppDialog>
</template>
