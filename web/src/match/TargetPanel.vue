<script setup lang="ts">
import type { Match, Target } from '@/api/client'
import { figure, nearness, really } from '@/lib/words'
import TheFigure from '@/ui/TheFigure.vue'
import ColourMenu from '@/ui/ColourMenu.vue'
import { useScreen, useShade } from '@/lib/screen'

/** The colour large, with a candidate touching it: the honest way to compare. */
defineProps<{ target: Target; candidate: Match | null }>()
defineEmits<{ flip: []; send: []; changed: [] }>()
const shade = useShade()
const { off, words, wide } = useScreen()
</script>

<template>
  <div>
    <div class="flex h-36 small:h-20 overflow-hidden rounded-data">
      <div
        class="flex-1"
        role="img"
        :aria-label="`${target.label}, the target`"
        :style="{ background: shade(target) }"
      />
      <div
        v-if="candidate"
        class="flex-1"
        role="img"
        :aria-label="`${candidate.swatch.label}, the candidate`"
        :style="{ background: shade(candidate.swatch) }"
      />
    </div>
    <div class="mt-2 grid gap-3" :class="candidate && 'grid-cols-2'">
      <div class="min-w-0">
        <h2 class="text-base">{{ target.swatch?.label ?? target.label }}</h2>
        <p class="text-xs break-words">
          <template v-if="target.swatch?.code && target.swatch.name"
            >{{ target.swatch.name }}<br
          /></template>
          <template v-if="target.swatch">
            <RouterLink :to="`/supplies/${target.swatch.range_id}`" class="underline">{{
              target.swatch.range_name
            }}</RouterLink>, {{ target.swatch.medium }}
          </template>
        </p>
      </div>
      <div v-if="candidate" class="min-w-0" aria-live="polite">
        <p class="font-title text-base font-semibold break-words">{{ candidate.swatch.label }}</p>
        <ColourMenu
          class="float-right"
          compact
          :swatch="candidate.swatch"
          @changed="$emit('changed')"
        />
        <p class="text-xs">
          {{ candidate.swatch.range_name }}, {{ candidate.swatch.medium }}<br />
          <b>{{ nearness(candidate) }}</b> <TheFigure tip :text="figure(candidate)" /><br />{{
            really(candidate)
          }}
        </p>
      </div>
    </div>
    <p v-if="off" class="mt-2 text-xs">
      This screen’s white is {{ words }}: compare the halves, not the screen with a card in your
      hand.
    </p>
    <dl class="mt-3 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-xs">
      <dt class="text-soft">Looks</dt>
      <dd>
        {{ target.hue_name
        }}<template v-if="!target.on_screen"
          >,
          {{
            wide ? 'stronger than usual screens show' : 'beyond what this screen can show'
          }}</template
        >
      </dd>
      <dt class="text-soft">Known</dt>
      <dd>
        {{ target.swatch?.read ? 'my own reading' : target.provenance_words }}
        <TheFigure
          tip
          :text="`L*a*b* ${target.lab.join(', ')}${target.uncertainty ? `, within about ΔE ${target.uncertainty}` : ''}`"
        />
      </dd>
      <template v-if="target.swatch">
        <dt class="text-soft">Drawer</dt>
        <dd>
          {{ target.swatch.owned ? `mine, ${target.swatch.fullness}` : 'not mine'
          }}<template v-if="target.swatch.discontinued">, discontinued</template>
        </dd>
        <dd class="col-span-2">
          <ColourMenu :swatch="target.swatch" @changed="$emit('changed')" />
        </dd>
      </template>
    </dl>
    <div class="mt-4 flex flex-wrap gap-2 small:mt-1">
      <button
        type="button"
        class="button"
        :disabled="!candidate"
        aria-keyshortcuts="f"
        @click="$emit('flip')"
      >
        Flip <kbd class="keycap">f</kbd>
      </button>
      <button type="button" class="button" aria-keyshortcuts="p" @click="$emit('send')">
        To a palette <kbd class="keycap">p</kbd>
      </button>
      <RouterLink
        v-if="target.swatch"
        :to="`/cards/ways/rule?colour=${target.swatch.id}`"
        class="button"
        >Palettes around it</RouterLink
      >
    </div>
  </div>
</template>
