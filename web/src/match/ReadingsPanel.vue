<script setup lang="ts">
import { computed } from 'vue'
import { api, got } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useNotices } from '@/lib/notices'
import { plural } from '@/lib/words'
import SwatchReader from './SwatchReader.vue'
import TypeReading from './TypeReading.vue'
import TheFigure from '@/ui/TheFigure.vue'

/** A person's own readings of a colour, and how far off the label was. */
const { id } = defineProps<{ id: number }>()
const emit = defineEmits<{ changed: [] }>()
const notices = useNotices()
const { data, refresh } = useFetched(
  () => id,
  () => got(api.GET('/api/colours/{id}/readings', { params: { path: { id } } })),
)
const usual = computed(() => data.value?.readings.filter((one) => one.usual) ?? [])

async function changed() {
  await refresh()
  emit('changed')
}
async function forget(reading: number) {
  try {
    await api.DELETE('/api/readings/{id}', { params: { path: { id: reading } } })
    await changed()
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <div v-if="data" class="max-w-[860px] space-y-5">
    <div class="panel flex flex-wrap items-center gap-5 p-4">
      <span class="flex h-16 w-32 shrink-0 overflow-hidden rounded-data" aria-hidden="true">
        <span class="flex-1" :style="{ background: data.label_hex }" />
        <span
          v-if="usual.length"
          class="flex-1"
          :style="{ background: data.swatch.shades.colour }"
        />
      </span>
      <div class="min-w-56 flex-1">
        <p>
          The range’s own figure is {{ data.label_provenance }}.
          <TheFigure tip :text="`L*a*b* ${data.label_lab.join(', ')}`" />
        </p>
        <p v-if="data.off !== null">
          By your {{ plural(usual.length, 'reading') }} the range’s figure is off:
          {{ data.off_words }}.
          <TheFigure
            tip
            :text="`read L*a*b* ${data.swatch.lab.join(', ')}, ΔE ${data.off.toFixed(1)} from the range’s`"
          />
        </p>
        <p v-else class="text-soft">
          Read a swatch of your own: one layer, a middle hand, on white card, dry. From then on it
          counts for you in every match.
        </p>
      </div>
    </div>
    <div class="grid gap-5 lg:grid-cols-2">
      <SwatchReader :id="id" :medium="data.swatch.medium" @read="changed" />
      <TypeReading :id="id" :medium="data.swatch.medium" @added="changed" />
    </div>
    <section v-if="data.readings.length" aria-labelledby="kept-readings">
      <h2 id="kept-readings" class="mb-2 text-base">What I have read</h2>
      <ul class="panel divide-y divide-line">
        <li
          v-for="reading in data.readings"
          :key="reading.id"
          class="flex flex-wrap items-center gap-4 px-3 py-2"
        >
          <span class="size-9 shrink-0 rounded-data" :style="{ background: reading.hex }" />
          <span class="min-w-48 flex-1">
            <b>{{ reading.lab.join(', ') }}</b>
            <span class="block text-xs text-soft"
              ><b v-if="reading.simulated">simulated, </b>{{ reading.taken }},
              {{ reading.provenance_words
              }}<template v-if="reading.taken_with">, {{ reading.taken_with }}</template
              ><template v-if="reading.spectrum">, with its spectrum</template>.
              {{ plural(reading.layers, 'layer') }}, {{ reading.hand }} hand, on
              {{ reading.paper ? reading.paper.label : 'white card'
              }}<template v-if="reading.below">, over {{ reading.below.label }}</template
              >. {{ reading.note }}</span
            >
          </span>
          <span class="w-52 text-xs">
            <b v-if="reading.outlier">Far from the others: read it again.</b>
            <template v-else-if="!reading.counts"
              ><b>Simulated</b>: against the label of a range that you have, it does not
              count.</template
            >
            <template v-else-if="!reading.usual"
              >Laid another way: it holds there, and teaches how the range behaves.</template
            >
          </span>
          <button
            type="button"
            class="button button-plain"
            :aria-label="`Forget the reading ${reading.lab.join(', ')}`"
            @click="forget(reading.id)"
          >
            Forget
          </button>
        </li>
      </ul>
    </section>
  </div>
</template>
