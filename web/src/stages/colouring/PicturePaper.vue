<script setup lang="ts">
import { useSession } from '@/lib/session'
import PaperChoice from '@/ui/PaperChoice.vue'
import { usePicture } from './picture'

/** The paper that the picture is coloured on. */
const { picture, drawn, set } = usePicture()
const session = useSession()
</script>

<template>
  <PaperChoice
    :paper="picture.paper"
    :shade="drawn?.paper[session.view]"
    :take="(paper) => set({ paper })"
  />
</template>
