<script setup lang="ts">
import { ref } from 'vue'
import type { Check, Mend } from '@/api/client'
import { useSession } from '@/lib/session'
import AppDialog from '@/ui/AppDialog.vue'
import StatusMark from '@/ui/StatusMark.vue'
import { useCard } from './card'

const store = useCard()
const session = useSession()
const waiving = ref<Check | null>(null)
const reason = ref('')

function apply(mend: Mend) {
  const end = { source: mend.source, id: mend.id }
  return store.change({ kind: 'edit_pair', key: mend.key, [mend.end]: end })
}
async function waive() {
  if (!waiving.value) return
  if (await store.change({ kind: 'waive', check: waiving.value.id, reason: reason.value })) {
    waiving.value = null
    reason.value = ''
  }
}
</script>

<template>
  <section aria-label="Checks">
    <h2 class="mb-2 text-sm">Checks</h2>
    <p v-if="!store.card?.checks.length" class="text-soft">
      Nothing to check yet: add two colours and say what lies on what.
    </p>
    <ul class="space-y-3">
      <li v-for="check in store.card?.checks" :key="check.id" class="flex gap-2.5">
        <StatusMark :status="check.waived === null ? check.status : null" />
        <div class="min-w-0 flex-1">
          <p class="break-words">
            <b>{{ check.title }}</b>
            <span v-if="check.waived !== null"> is let be</span>
            <span v-else-if="check.status === 'holds'"> holds</span>
            <span v-else>: {{ check.reason }}</span>
          </p>
          <p class="text-xs text-soft">
            {{ check.figure
            }}<template v-if="check.status !== 'holds'">, wants {{ check.limit }}</template
            ><template v-if="check.status === 'holds' && check.reason"
              >, {{ check.reason }}</template
            >
          </p>
          <p v-if="check.waived !== null" class="text-xs">
            “{{ check.waived }}”
            <button
              type="button"
              class="cursor-pointer underline"
              @click="store.change({ kind: 'unwaive', check: check.id })"
            >
              Count it again
            </button>
          </p>
          <div v-else-if="check.status !== 'holds'" class="mt-1.5 space-y-1.5">
            <button
              v-for="mend in check.mends"
              :key="mend.end + mend.source + mend.id"
              type="button"
              class="button w-full !justify-start !py-1.5 text-xs"
              :disabled="store.busy"
              @click="apply(mend)"
            >
              <span
                class="size-6 shrink-0 rounded-data"
                :style="{ background: mend.shades[session.view] }"
              />
              <span class="min-w-0 break-words">{{ mend.words }}: {{ mend.figure }}</span>
            </button>
            <button type="button" class="cursor-pointer text-xs underline" @click="waiving = check">
              On purpose …
            </button>
          </div>
        </div>
      </li>
    </ul>
    <AppDialog v-if="waiving" title="Let this check be" @close="waiving = null">
      <form @submit.prevent="waive">
        <p class="mb-3">{{ waiving.title }}: {{ waiving.reason }}</p>
        <label class="label" for="reason">Why is it on purpose?</label>
        <input id="reason" v-model="reason" class="input" required maxlength="500" />
        <button type="submit" class="button button-main mt-4">Let it be</button>
      </form>
    </AppDialog>
  </section>
</template>
