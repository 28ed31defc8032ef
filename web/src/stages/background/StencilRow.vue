<script setup lang="ts">
import { ref } from 'vue'
import { api, ApiError, form, got, type Ground, type PadUse } from '@/api/client'
import { stencilFormValues } from '@/api/schema'
import { choices } from '@/lib/words'
import ChoiceList from '@/ui/ChoiceList.vue'
import FileButton from '@/ui/FileButton.vue'

/** The stencil that a layer of the ground goes through. */
const { pad } = defineProps<{ pad: Ground['pads'][number] }>()
const emit = defineEmits<{ change: [told: Partial<PadUse>] }>()
const FORMS = choices(stencilFormValues)
const wrong = ref('')

function choose(shape: (typeof stencilFormValues)[number]) {
  emit('change', { stencil: { form: shape, openings: [], shape: 1 } })
}
async function read(file: File) {
  wrong.value = ''
  try {
    const stencil = await got(api.POST('/api/stencils', { body: form('/api/stencils', { file }) }))
    emit('change', { stencil })
  } catch (error) {
    wrong.value = error instanceof ApiError ? error.message : String(error)
  }
}
</script>

<template>
  <div class="mt-3 mb-1 flex flex-wrap items-center gap-2">
    <b>Layer {{ pad.layer + 1 }}</b>
    <span>through</span>
    <ChoiceList
      class="w-[150px]"
      :model-value="pad.stencil?.form ?? 'hills'"
      :label="`Stencil of layer ${pad.layer + 1}`"
      :options="
        FORMS.filter((one) => one.value !== 'own-openings' || pad.stencil?.openings?.length)
      "
      @update:model-value="$event !== pad.stencil?.form && choose($event)"
    />
    <FileButton class="button-plain text-xs" accept=".svg,image/svg+xml" @file="read"
      >My own, from an SVG …</FileButton
    >
    <p v-if="wrong" role="alert" class="w-full border-l-2 border-ink pl-3">{{ wrong }}</p>
  </div>
</template>
