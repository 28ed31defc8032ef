<script setup lang="ts">
import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/vue'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import type { Check } from '@/api/client'
import { plural } from '@/lib/words'
import CheckItem from './CheckItem.vue'
import { useCard } from './card'
import WordTip from '@/words/WordTip.vue'

/** All checks of the card: what does not hold first, what is mended at another stage with the way there. */
const store = useCard()
const route = useRoute()
const checks = computed(() => store.card?.checks ?? [])
const stage = computed(() => route.path.split('/').at(-1))
// What fails first, and among alike what is mended at this stage.
const rank = (one: Check) => 2 * Number(one.status !== 'fails') + Number(one.stage !== stage.value)
const open = computed(() =>
  checks.value
    .filter((one) => one.status !== 'holds' && one.waived === null)
    .sort((one, other) => rank(one) - rank(other)),
)
const waived = computed(() => checks.value.filter((one) => one.waived !== null))
const holding = computed(() =>
  checks.value.filter((one) => one.status === 'holds' && one.waived === null),
)
const USES = ['drawer', 'low'] // what is told of all that the card uses together
/** The part of its stage that says more of a check. */
const where = ({ kind, stage }: Check) => ({
  path: `/cards/${store.card!.id}/${USES.includes(kind) ? 'uses' : stage}`,
  query: stage === 'background' && kind !== 'join' ? { view: 'standing' } : {},
})
</script>

<template>
  <section aria-label="Checks">
    <div class="mb-2 flex items-baseline justify-between gap-2">
      <span class="flex items-center"
        ><h2 class="text-sm">Checks</h2>
        <WordTip word="on purpose"
      /></span>
      <RouterLink :to="`/cards/${store.card!.id}/uses`" class="text-xs underline"
        >What the card uses</RouterLink
      >
    </div>
    <p v-if="!checks.length" class="text-soft">
      Nothing to check yet: add two colours and say what lies on what.
    </p>
    <ul class="space-y-3">
      <li v-for="check in [...open, ...waived]" :key="check.id">
        <CheckItem :check="check">
          <RouterLink
            v-if="check.stage !== stage || USES.includes(check.kind)"
            :to="where(check)"
            class="block text-xs underline"
            >To where it is mended<span class="sr-only">: {{ check.title }}</span></RouterLink
          >
        </CheckItem>
      </li>
    </ul>
    <Disclosure v-if="holding.length" v-slot="{ open: shown }" :default-open="holding.length < 5">
      <DisclosureButton class="my-3 cursor-pointer text-xs underline">
        {{ plural(holding.length, 'check') }} {{ holding.length === 1 ? 'holds' : 'hold'
        }}{{ shown ? '' : ' …' }}
      </DisclosureButton>
      <DisclosurePanel as="ul" class="space-y-3">
        <li v-for="check in holding" :key="check.id"><CheckItem :check="check" /></li>
      </DisclosurePanel>
    </Disclosure>
  </section>
</template>
