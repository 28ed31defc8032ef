<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Role } from '@/api/client'
import { useCard } from '@/card/card'
import { useSession } from '@/lib/session'
import { roleValues as ROLES } from '@/api/schema'
import AppDialog from '@/ui/AppDialog.vue'
import ChoiceList from '@/ui/ChoiceList.vue'
import AddColour from './AddColour.vue'
import TheFigure from '@/ui/TheFigure.vue'
import Field from '@/ui/Field.vue'

const { colourKey } = defineProps<{ colourKey: number }>()
const emit = defineEmits<{ close: [] }>()
const store = useCard()
const session = useSession()
const place = computed(() => store.card!.colours.findIndex((one) => one.key === colourKey))
const colour = computed(() => store.card!.colours[place.value]!)
const name = ref(colour.value.name)
const role = ref<Role>(colour.value.role)
const replacing = ref(false)

async function save() {
  const changed = name.value !== colour.value.name || role.value !== colour.value.role
  const edit = { kind: 'edit_colour' as const, key: colourKey, name: name.value, role: role.value }
  if (!changed || (await store.change(edit))) emit('close')
}
const move = (by: number) =>
  store.change({ kind: 'move_colour', key: colourKey, to: place.value + by })
async function remove() {
  // Closed first: afterwards there is no such colour to show.
  emit('close')
  await store.change({ kind: 'remove_colour', key: colourKey })
}
</script>

<template>
  <AddColour v-if="replacing" :replacing="colourKey" @close="$emit('close')" />
  <AppDialog v-else-if="colour" :title="`${place + 1} ${colour.name}`" @close="$emit('close')">
    <form @submit.prevent="save">
      <div class="mb-4 flex gap-4">
        <div class="size-24 rounded-data" :style="{ background: colour.shades[session.view] }" />
        <p class="flex-1">
          {{ colour.hue_name }}
          <TheFigure tip :text="`L*a*b* ${colour.lab.join(', ')}`" /><br />
          <template v-if="colour.anchor">
            {{ colour.anchor.range_name }} {{ colour.anchor.label }}, {{ colour.anchor.medium
            }}<br />
          </template>
          <span class="text-soft"
            >{{ colour.provenance_words }}
            <TheFigure tip :text="`within about ΔE ${colour.uncertainty}`"
          /></span>
        </p>
      </div>
      <div class="grid grid-cols-2 gap-3">
        <Field label="Name">
          <input v-model="name" class="input" required :maxlength="session.limits?.name" />
        </Field>
        <div>
          <span class="label">Role</span>
          <ChoiceList
            v-model="role"
            label="Role"
            :options="ROLES.map((value) => ({ value, words: value }))"
          />
        </div>
      </div>
      <div class="mt-5 flex flex-wrap gap-2">
        <button type="submit" class="button button-main">Save</button>
        <button type="button" class="button" :disabled="place === 0" @click="move(-1)">
          Move up
        </button>
        <button
          type="button"
          class="button"
          :disabled="place === store.card!.colours.length - 1"
          @click="move(1)"
        >
          Move down
        </button>
        <button type="button" class="button" @click="replacing = true">
          Take another colour …
        </button>
        <button type="button" class="button" @click="remove">Remove</button>
      </div>
    </form>
  </AppDialog>
</template>
