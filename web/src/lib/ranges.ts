import { computed } from 'vue'
import { api, got } from '@/api/client'
import { useFetched } from './fetched'

/** The ranges that something can be taken from: not those that were put away, nor empty ones. */
export function useRanges() {
  const { data } = useFetched([], () => got(api.GET('/api/ranges')))
  return computed(() => data.value?.filter((one) => !one.away && one.count) ?? null)
}
