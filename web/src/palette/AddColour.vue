<script setup lang="ts">
import { ref } from 'vue'
import type { Role } from '@/api/client'
import { useCard } from '@/cards/card'
import { roleValues as ROLES } from '@/api/schema'
import AppDialog from '@/ui/AppDialog.vue'
import ChoiceList from '@/ui/ChoiceList.vue'
import FindColour, { type Picked } from '@/ui/FindColour.vue'

/** Add a palette colour, or (with `replacing`, its key) tie one to another colour. */
const { replacing } = defineProps<{ replacing?: number }>()
const emit = defineEmits<{ close: [] }>()
const store = useCard()
const name = ref('')
const taken = store.card?.colours.map((colour) => colour.role) ?? []
const role = ref<Role>(ROLES.find((one) => !taken.includes(one)) ?? 'support')

async function add(picked: Picked) {
  const anchor = 'swatch' in picked ? { colour: picked.swatch.id } : { value: picked.text }
  const done = await store.change(
    replacing
      ? { kind: 'reanchor', key: replacing, anchor }
      : { kind: 'add_colour', anchor, name: name.value, role: role.value },
  )
  if (done) emit('close')
}
</script>

<template>
  <AppDialog
    :title="replacing ? 'Take another colour' : 'Add a palette colour'"
    @close="$emit('close')"
  >
    <FindColour :act="replacing ? 'take it' : 'add it'" @pick="add" @leave="$emit('close')" />
    <div v-if="!replacing" class="mt-4 grid grid-cols-2 gap-3">
      <div>
        <span class="label">Role</span>
        <ChoiceList
          v-model="role"
          label="Role"
          :options="ROLES.map((value) => ({ value, words: value }))"
        />
      </div>
      <div>
        <label class="label" for="colour-name">Your name for it (or leave its own)</label>
        <input id="colour-name" v-model="name" class="input" maxlength="500" />
      </div>
    </div>
  </AppDialog>
</template>
