<script setup lang="ts">
import type { Colouring } from '@/api/client'
import { useCard } from '@/card/card'
import { useSession } from '@/lib/session'
import PaperChoice from '@/ui/PaperChoice.vue'

/** The paper that the picture is coloured on. */
defineProps<{ colouring: Colouring }>()
const store = useCard()
const session = useSession()
</script>

<template>
  <PaperChoice
    :paper="colouring.paper"
    :shade="store.card?.desk.picture?.paper[session.view]"
    :take="(paper) => store.change({ kind: 'set_colouring', paper })"
  />
</template>
