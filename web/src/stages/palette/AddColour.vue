<script setup lang="ts">
import { useSession } from '@/lib/session'
import { ref } from 'vue'
import { api, got, type Adding, type Role } from '@/api/client'
import { useCard } from '@/card/card'
import FollowDialog from '@/card/following/FollowDialog.vue'
import { roleValues as ROLES } from '@/api/schema'
import { useNotices } from '@/lib/notices'
import AppDialog from '@/ui/AppDialog.vue'
import ChoiceList from '@/ui/ChoiceList.vue'
import FindColour, { type Picked } from '@/ui/FindColour.vue'
import Field from '@/ui/Field.vue'

const session = useSession()

/** Add a palette colour, or (with `replacing`, its key) tie one to another colour. */
const { replacing } = defineProps<{ replacing?: number }>()
const emit = defineEmits<{ close: [] }>()
const store = useCard()
const notices = useNotices()
const name = ref('')
const role = ref<Role | ''>('')
// What would change by adding a colour is asked first.
const asked = ref<{ picked: Picked; adding: Adding } | null>(null)

const taken = ref<{ colour?: number; value?: string } | null>(null) // what a colour becomes
const anchorOf = (picked: Picked) =>
  'swatch' in picked ? { colour: picked.swatch.id } : { value: picked.text }

async function pick(picked: Picked) {
  if (replacing) {
    taken.value = anchorOf(picked)
    return
  }
  try {
    const path = { id: store.card!.id }
    const query = { ...anchorOf(picked), role: role.value }
    const adding = await got(api.GET('/api/cards/{id}/adding', { params: { path, query } }))
    if (adding.changes.length) asked.value = { picked, adding }
    else await add(picked, adding.role, false)
  } catch (error) {
    notices.fail(error)
  }
}

async function add(picked: Picked, as: Role, keep_pairs: boolean) {
  const told = { anchor: anchorOf(picked), name: name.value, role: as, keep_pairs }
  if (!(await store.change({ kind: 'add_colour', ...told }))) return
  store.added = store.card!.colours.at(-1)!.key
  emit('close')
}
</script>

<template>
  <FollowDialog
    v-if="replacing && taken"
    :colour-key="replacing"
    :anchor="taken"
    @close="$emit('close')"
  />
  <AppDialog
    v-else
    :title="replacing ? 'Take another colour' : 'Add a palette colour'"
    @close="$emit('close')"
  >
    <section v-if="asked" aria-label="What it would change">
      <p class="mb-2">
        As <b>{{ asked.adding.role }}</b> it would change what is taken to lie on what, and how that
        stands:
      </p>
      <ul class="mb-4 list-disc space-y-1 pl-5">
        <li v-for="one in asked.adding.changes" :key="one.before">
          {{ one.before }} becomes {{ one.after || 'nothing' }}
        </li>
      </ul>
      <div class="flex flex-wrap gap-2">
        <button
          type="button"
          class="button button-main"
          @click="add(asked.picked, asked.adding.role, true)"
        >
          Add it, leave that as it is
        </button>
        <button type="button" class="button" @click="add(asked.picked, asked.adding.role, false)">
          Add it and change that
        </button>
        <button type="button" class="button button-plain" @click="asked = null">
          Another colour or role
        </button>
      </div>
    </section>
    <template v-else>
      <FindColour :act="replacing ? 'take it' : 'add it'" @pick="pick" @leave="$emit('close')" />
      <div v-if="!replacing" class="mt-4 grid grid-cols-2 gap-3">
        <div>
          <span class="label">Role</span>
          <ChoiceList
            v-model="role"
            label="Role"
            :options="[
              { value: '', words: 'as it seems' },
              ...ROLES.map((value) => ({ value, words: value })),
            ]"
          />
        </div>
        <Field label="Your name for it (or leave its own)">
          <input v-model="name" class="input" :maxlength="session.limits?.name" />
        </Field>
      </div>
    </template>
  </AppDialog>
</template>
