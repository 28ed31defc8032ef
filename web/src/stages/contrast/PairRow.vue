<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Pair } from '@/api/client'
import { useCard } from '@/card/card'
import OnOff from '@/ui/OnOff.vue'
import { inWords } from '@/lib/words'
import PairDialog from './PairDialog.vue'
import PairPicture from './PairPicture.vue'
import TheFigure from '@/ui/TheFigure.vue'

const { pair } = defineProps<{ pair: Pair }>()
const store = useCard()
const editing = ref(false)
const check = computed(() => store.card!.checks.find((one) => one.id === pair.check))
const standing = computed(() =>
  check.value?.waived != null ? 'so on purpose' : (check.value?.status ?? ''),
)
const outlined = computed({
  get: () => pair.outlined,
  set: (value) => void store.change({ kind: 'edit_pair', key: pair.key, outlined: value }),
})
</script>

<template>
  <li class="panel flex flex-wrap items-center gap-4 p-2.5">
    <PairPicture :pair="pair" />
    <div class="min-w-40 flex-1">
      <p class="break-words">
        <b>{{ pair.upper.words }}</b> {{ pair.kind === 'mat' ? 'around' : 'on' }}
        <b>{{ pair.lower.words }}</b>
      </p>
      <p class="text-xs text-soft">{{ inWords(pair.kind) }}</p>
      <OnOff v-if="pair.kind === 'picture'" v-model="outlined" class="mt-1 text-xs">
        has a dark outline or a white cut edge
      </OnOff>
    </div>
    <div class="w-44">
      <p :class="{ 'font-semibold': standing !== 'holds' }">
        {{ standing }}
        <TheFigure v-if="check" tip :text="`${check.figure}, limit ${check.limit}`" />
      </p>
      <p v-if="check?.reason" class="text-xs">{{ check.reason }}</p>
    </div>
    <button type="button" class="button" @click="editing = true">Change</button>
    <button
      type="button"
      class="button button-plain"
      :aria-label="`Remove ${inWords(pair.kind)} in ${pair.upper.words} on ${pair.lower.words}`"
      @click="store.change({ kind: 'remove_pair', key: pair.key })"
    >
      Remove
    </button>
    <PairDialog v-if="editing" :pair="pair" @close="editing = false" />
  </li>
</template>
