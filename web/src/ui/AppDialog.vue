<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { XMarkIcon } from '@heroicons/vue/20/solid'
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useNotices } from '@/lib/notices'
import NoticeBar from './NoticeBar.vue'

defineProps<{ title: string; wide?: boolean }>()
defineEmits<{ close: [] }>()
const notices = useNotices()
const body = ref<HTMLElement | null>(null)
// Where one types comes first: a space or a letter must never close the dialog or be a key.
const first = ref<HTMLElement | null>(null)
const FIELDS = 'input:not([type=hidden], [type=file]), textarea, [aria-haspopup=listbox]'
// The dialog's body is there only after the dialog is, which is carried elsewhere on the page.
watch(
  body,
  (shown) => {
    first.value =
      shown?.querySelector<HTMLElement>('input[type=text], input:not([type]), textarea') ??
      shown?.querySelector<HTMLElement>(FIELDS) ??
      null
  },
  { flush: 'sync' },
)
onMounted(() => notices.dialogs++)
onBeforeUnmount(() => notices.dialogs--)
</script>

<template>
  <Dialog open class="relative z-20" :initial-focus="first" @close="$emit('close')">
    <div class="veil fixed inset-0" aria-hidden="true" />
    <div class="fixed inset-0 flex items-start justify-center overflow-y-auto p-4 sm:p-10">
      <DialogPanel class="w-full" :class="wide ? 'max-w-[940px]' : 'max-w-[520px]'">
        <div class="panel !bg-room p-5">
          <div class="mb-4 flex items-start justify-between gap-4">
            <DialogTitle as="h2" class="text-lg"><slot name="title" />{{ title }}</DialogTitle>
            <button
              type="button"
              class="button button-plain"
              aria-label="Close"
              @click="$emit('close')"
            >
              <XMarkIcon class="size-5" aria-hidden="true" />
            </button>
          </div>
          <NoticeBar class="mb-4 empty:hidden" />
          <div ref="body"><slot /></div>
        </div>
      </DialogPanel>
    </div>
  </Dialog>
</template>

<style scoped>
.veil {
  background: rgb(0 0 0 / 0.45);
}
</style>
