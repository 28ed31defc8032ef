<script setup lang="ts">
import AppDialog from './AppDialog.vue'

defineEmits<{ close: [] }>()
const KEYS = [
  ['/', 'find any colour by code or name'],
  ['f', 'in Match: flip target and candidate'],
  ['p', 'in Match: send the colour to a palette'],
  ['1 – 9', 'choose a palette colour'],
  ['g', 'greys, and back to colour'],
  ['s', 'next surround: light, mid, dark'],
  ['[  ]', 'previous or next alternative in a cell'],
  ['l', 'lock or unlock a cell'],
  ['m  b', 'what stands in a cell is mine; is to buy'],
  ['Backspace', 'back to the nearest in a cell'],
  ['o', 'only what I own'],
  ['u', 'inches or millimetres'],
  ['Arrows', 'in Build: move the chosen piece on the desk; with Shift by the finest step'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
  ['?', 'this list'],
]
</script>

<template>
  <AppDialog title="Keys" @close="$emit('close')">
    <dl class="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2">
      <template v-for="[key, words] in KEYS" :key="key">
        <dt>
          <kbd class="keycap">{{ key }}</kbd>
        </dt>
        <dd>{{ words }}</dd>
      </template>
    </dl>
  </AppDialog>
</template>
