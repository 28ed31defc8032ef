<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/lib/session'
import WordTip from '@/words/WordTip.vue'
import { explained } from '@/words/words'

/**
 * A figure after its plain words. One of the trade is shown to who asked for figures; to others it stands, with
 * what it means, behind a ? where `tip` says so, and else not at all. A figure in plain words is always shown. `lead` stands before it, where it is shown.
 */
const {
  text,
  tip = false,
  lead = '',
} = defineProps<{ text: string; tip?: boolean; lead?: string }>()
const session = useSession()
const words = computed(() => explained(text))
const shown = computed(() => !words.value.length || session.person?.figures)
</script>

<template>
  <span v-if="shown" class="text-xs text-soft">{{ lead }}{{ text }}</span>
  <WordTip v-else-if="tip" :word="words[0]!.word" :words="words" :figure="text" />
</template>
