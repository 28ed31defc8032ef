<script setup lang="ts">
import { computed } from 'vue'
import type { ExerciseWeeks } from '@/api/client'
import { day, percent } from '@/lib/words'
import { chanceShare, lifted, path, placed, rightShare, type Point } from './weeks'

/** The weeks of an exercise: how many were right beside what guessing gives, and how fine the eye was. */
const { told } = defineProps<{ told: ExerciseWeeks }>()
const [WIDE, HIGH, SIDE] = [360, 110, 8]
const across = computed(() => placed(told.weeks, WIDE, SIDE))
const at = (n: number) => across.value[n]!
const up = (share: number) => lifted(share, HIGH, SIDE)
const shares = computed(() => told.weeks.map(rightShare))
const right = computed(() => path(shares.value.map((one, n) => [at(n), up(one)])))
const chance = computed(() => path(told.weeks.map((week, n) => [at(n), up(chanceShare(week))])))
const fine = computed(() =>
  told.weeks.flatMap((week, n) => (week.threshold ? [{ n, ...week.threshold }] : [])),
)
const most = computed(() => Math.max(...fine.value.map((one) => one.high), 1))
const down = (value: number) => up(value / most.value)
const band = computed(() =>
  path([
    ...fine.value.map((one): Point => [at(one.n), down(one.high)]),
    ...[...fine.value].reverse().map((one): Point => [at(one.n), down(one.low)]),
  ]),
)
const last = computed(() => told.weeks.at(-1))
const finest = computed(() => fine.value.at(-1))
</script>

<template>
  <section class="panel p-4" :aria-label="told.title">
    <h2 class="mb-1 text-base">{{ told.title }}</h2>
    <p v-if="!last" class="text-soft">Nothing answered in the last weeks.</p>
    <template v-else>
      <p class="mb-2 text-xs">
        In the week of {{ day(last.begins) }}: {{ last.right }} of {{ last.count }} right ({{
          percent(last.right / last.count)
        }}; by guessing {{ percent(last.by_chance / last.count) }})<template v-if="finest"
          >; last measured {{ told.unit }} {{ finest.value }}</template
        >.
      </p>
      <div class="grid gap-4 sm:grid-cols-2">
        <figure>
          <svg :viewBox="`0 0 ${WIDE} ${HIGH}`" class="w-full bg-sheet" aria-hidden="true">
            <line
              v-for="share in [0, 0.5, 0.75, 1]"
              :key="share"
              :x1="0"
              :x2="WIDE"
              :y1="up(share)"
              :y2="up(share)"
              stroke="var(--line)"
              :stroke-width="share === 0.75 ? 2 : 1"
            />
            <polyline :points="chance" fill="none" stroke="var(--edge)" stroke-dasharray="4 4" />
            <polyline :points="right" fill="none" stroke="var(--ink)" stroke-width="2" />
            <circle
              v-for="(share, n) in shares"
              :key="n"
              :cx="at(n)"
              :cy="up(share)"
              r="3.5"
              fill="var(--ink)"
            />
          </svg>
          <figcaption class="text-xs text-soft">Right, of all</figcaption>
        </figure>
        <figure>
          <svg :viewBox="`0 0 ${WIDE} ${HIGH}`" class="w-full bg-sheet" aria-hidden="true">
            <polygon
              v-if="fine.length"
              :points="band"
              fill="var(--line)"
              stroke="var(--line)"
              stroke-width="3"
            />
            <polyline
              :points="path(fine.map((one) => [at(one.n), down(one.value)]))"
              fill="none"
              stroke="var(--ink)"
              stroke-width="2"
            />
            <circle
              v-for="one in fine"
              :key="one.n"
              :cx="at(one.n)"
              :cy="down(one.value)"
              r="3.5"
              fill="var(--ink)"
            />
          </svg>
          <figcaption class="text-xs text-soft">
            {{
              fine.length
                ? `Right from which difference on, up to ${told.unit} ${most}`
                : 'How fine: from eight answers a week on'
            }}
          </figcaption>
        </figure>
      </div>
      <table class="sr-only">
        <caption>
          {{
            told.title
          }}, week by week
        </caption>
        <tbody>
          <tr v-for="week in told.weeks" :key="week.begins">
            <th scope="row">{{ day(week.begins) }}</th>
            <td>{{ week.right }} of {{ week.count }} right</td>
            <td>{{ week.threshold ? `${told.unit} ${week.threshold.value}` : 'not measured' }}</td>
          </tr>
        </tbody>
      </table>
    </template>
  </section>
</template>
