import { computed } from 'vue'
import { api, got } from '@/api/client'
import { useFetched } from './fetched'

/** The cardstock that one owns, as options of a list, after a usual white card in other words. */
export function useOwnCards(white: string) {
  const { data: drawer } = useFetched([], () => got(api.GET('/api/drawer')))
  return computed(() => [
    { value: 0, words: white },
    ...(drawer.value?.entries ?? [])
      .filter((entry) => entry.swatch.form === 'card')
      .map(({ swatch }) => ({
        value: swatch.id,
        words: `${swatch.range_name} ${swatch.label}`,
        shade: swatch.shades.colour,
      })),
  ])
}
