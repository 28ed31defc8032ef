<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import type { Check } from '@/api/client'
import { useSession } from '@/lib/session'
import AppDialog from '@/ui/AppDialog.vue'
import StatusMark from '@/ui/StatusMark.vue'
import { useCard } from './card'
import TheFigure from '@/ui/TheFigure.vue'
import PlainWords from '@/ui/PlainWords.vue'

/** One check: what was found with its figure, what mends it by one press, and letting it be. */
const { check } = defineProps<{ check: Check }>()
const store = useCard()
const route = useRoute()
const session = useSession()
const waiving = ref(false)
const reason = ref('')
const figure = computed(() =>
  check.status !== 'holds' && check.limit ? `${check.figure}, wants ${check.limit}` : check.figure,
)

async function waive() {
  if (await store.change({ kind: 'waive', check: check.id, reason: reason.value })) {
    waiving.value = false
    reason.value = ''
  }
}
</script>

<template>
  <div class="flex gap-2.5">
    <StatusMark :status="check.waived === null ? check.status : null" />
    <div class="min-w-0 flex-1">
      <p class="break-words">
        <b>{{ check.title }}</b>
        <span v-if="check.waived !== null"> is so on purpose</span>
        <span v-else-if="check.status === 'holds' && !check.reason"> holds</span>
        <span v-else>: <PlainWords :text="check.reason" /></span>
        {{ ' ' }}<TheFigure v-if="check.figure" tip :text="figure" />
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
          v-for="(mend, n) in store.mends[check.id]"
          :key="n"
          type="button"
          class="button w-full !justify-start !py-1.5 text-xs"
          :disabled="store.busy"
          @click="store.apply(mend)"
        >
          <span
            v-if="mend.shades"
            class="size-6 shrink-0 rounded-data"
            :style="{ background: mend.shades[session.view] }"
          />
          <span class="min-w-0 break-words"
            >{{ mend.words }}<TheFigure v-if="mend.figure" lead=": " :text="mend.figure"
          /></span>
        </button>
        <p v-if="check.ways.length" class="text-xs text-soft">
          Ways out: {{ check.ways.join('; ') }}.
        </p>
        <slot />
        <p class="flex flex-wrap gap-x-4">
          <button type="button" class="cursor-pointer text-xs underline" @click="waiving = true">
            On purpose …
          </button>
          <RouterLink
            v-if="check.practise"
            class="text-xs underline"
            :to="{
              path: '/training/practise',
              query: {
                exercise: check.practise,
                card: store.card?.id,
                stage: route.path.split('/')[3],
              },
            }"
            >Practise this</RouterLink
          >
        </p>
      </div>
    </div>
    <AppDialog v-if="waiving" title="It is so on purpose" @close="waiving = false">
      <form @submit.prevent="waive">
        <p class="mb-3">{{ check.title }}: <PlainWords :text="check.reason" /></p>
        <label class="label" for="reason">Why is it on purpose?</label>
        <input
          id="reason"
          v-model="reason"
          class="input"
          required
          :maxlength="session.limits?.name"
        />
        <button type="submit" class="button button-main mt-4">Leave it so</button>
      </form>
    </AppDialog>
  </div>
</template>
