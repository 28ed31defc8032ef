import { computed, ref } from 'vue'
import { api, got } from '@/api/client'
import { stale, useFetched } from './fetched'
import { useNotices } from './notices'

export type Kind = 'cards' | 'papers' | 'drawings' | 'ranges'
type Thing = { id: number; name: string }
const BACK = {
  cards: 'among the cards',
  papers: 'on the shelf',
  drawings: 'among the drawings',
  ranges: 'among the ranges',
}

/** Cards, papers or drawings put by, or deleted, and had again; all pages look again, and each can be taken back. */
export function useShelf(kind: Kind) {
  const notices = useNotices()
  const at = (id: number) => ({ params: { path: { kind: kind as 'cards', id } } })
  async function tell(words: string, done: Promise<unknown>, undo: () => Promise<unknown>) {
    try {
      await done
      notices.show(words, false, {
        words: 'Take it back',
        run: () =>
          undo()
            .then(() => (stale.value += 1))
            .catch(notices.fail),
      })
    } catch (error) {
      notices.fail(error)
    }
    stale.value += 1
  }
  const lay = (id: number, away: boolean) =>
    got(api.POST('/api/{kind}/{id}/put-by', { ...at(id), body: { away } }))
  const bringBack = (id: number) => got(api.POST('/api/{kind}/deleted/{id}', at(id)))
  const remove = (id: number) => got(api.DELETE(`/api/${kind}/{id}`, { params: { path: { id } } }))
  return {
    putBy: ({ id, name }: Thing, away: boolean) =>
      tell(away ? `“${name}” is put by.` : `“${name}” is back ${BACK[kind]}.`, lay(id, away), () =>
        lay(id, !away),
      ),
    remove: ({ id, name }: Thing) => tell(`“${name}” is deleted.`, remove(id), () => bringBack(id)),
    bringBack: ({ id, name }: Thing) => tell(`“${name}” is back.`, bringBack(id), () => remove(id)),
    removeForGood: async ({ id }: Thing) => {
      await got(api.DELETE('/api/{kind}/deleted/{id}', at(id))).catch(notices.fail)
      stale.value += 1
    },
  }
}

type Group = 'all' | 'mine' | 'put-by' | 'deleted'
interface Shelved {
  id: number
  own: boolean
  put_by: boolean
}
const IN: Record<Group, (one: Shelved) => boolean> = {
  all: (one) => !one.put_by,
  mine: (one) => one.own && !one.put_by,
  'put-by': (one) => one.put_by,
  deleted: () => false,
}
const WORDS: [Group, string][] = [
  ['all', 'All'],
  ['mine', 'Mine'],
  ['put-by', 'Put by'],
  ['deleted', 'Deleted'],
]

/** Shared and own papers or drawings in groups, and what can be done with those of one's own. */
export function useShelved<T extends Shelved>(
  kind: Exclude<Kind, 'cards' | 'ranges'>,
  ask: () => Promise<T[]>,
  name: (one: T) => string,
) {
  const { data } = useFetched([], ask)
  const { data: deleted } = useFetched([], () =>
    got(api.GET('/api/{kind}/deleted', { params: { path: { kind } } })),
  )
  const { putBy, remove } = useShelf(kind)
  const group = ref<Group>('all')
  const there = computed(() => data.value?.filter(IN[group.value]) ?? [])
  const groups = computed(() =>
    WORDS.map(([value, words]) => {
      const count = data.value?.filter(IN[value]).length ?? 0
      return { value, words, count: value === 'deleted' ? (deleted.value?.length ?? 0) : count }
    }).filter((one) => one.count || one.value === 'all' || one.value === group.value),
  )
  const menu = (one: T) => [
    {
      words: one.put_by ? `Back ${BACK[kind]}` : 'Put it by',
      run: () => putBy({ id: one.id, name: name(one) }, !one.put_by),
    },
    { words: 'Delete', run: () => remove({ id: one.id, name: name(one) }) },
  ]
  return { data, group, groups, there, menu }
}
