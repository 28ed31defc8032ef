<script setup lang="ts">
import { Switch, SwitchGroup, SwitchLabel } from '@headlessui/vue'

const model = defineModel<boolean>({ required: true })
</script>

<template>
  <SwitchGroup as="div" class="flex items-center gap-2">
    <Switch
      v-model="model"
      class="relative h-5 w-9 shrink-0 rounded-full border border-edge"
      :class="model ? 'bg-strong' : 'bg-sheet'"
    >
      <span
        class="absolute top-0.5 left-0.5 size-3.5 rounded-full transition-transform duration-150"
        :class="model ? 'translate-x-4 bg-onstrong' : 'bg-edge'"
      />
    </Switch>
    <SwitchLabel class="cursor-pointer"><slot /></SwitchLabel>
  </SwitchGroup>
</template>
