<script setup lang="ts">
import type { Swatch } from '@/api/client'
import { useSession } from '@/lib/session'

/** Everything that is known of one colour. */
defineProps<{ swatch: Swatch }>()
const session = useSession()
</script>

<template>
  <div class="flex gap-5">
    <div
      class="h-36 w-36 shrink-0 rounded-data"
      :style="{ background: swatch.shades[session.view] }"
    />
    <dl class="grid h-max grid-cols-[auto_1fr] gap-x-4 gap-y-1.5">
      <template v-if="swatch.name && swatch.code">
        <dt class="text-soft">Name</dt>
        <dd>{{ swatch.name }}</dd>
      </template>
      <dt class="text-soft">Range</dt>
      <dd>{{ swatch.range_name }}, {{ swatch.medium }}</dd>
      <dt class="text-soft">Looks</dt>
      <dd>{{ swatch.hue_name }}</dd>
      <dt class="text-soft">L*a*b*</dt>
      <dd>{{ swatch.lab.join(', ') }}</dd>
      <dt class="text-soft">Known</dt>
      <dd>{{ swatch.provenance_words }}, within about ΔE {{ swatch.uncertainty }}</dd>
      <dt class="text-soft">Drawer</dt>
      <dd>
        {{ swatch.owned ? 'mine' : 'not mine'
        }}<template v-if="swatch.discontinued">, discontinued</template>
      </dd>
      <template v-if="!swatch.on_screen">
        <dt class="text-soft">Screen</dt>
        <dd>stronger than this screen can show</dd>
      </template>
    </dl>
  </div>
</template>
