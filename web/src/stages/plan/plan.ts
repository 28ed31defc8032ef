import { defineStore } from 'pinia'
import { ref, shallowRef, watch } from 'vue'
import { api, ApiError, got, type Plan, type Press, type PlanWishes } from '@/api/client'
import { stale } from '@/lib/fetched'
import { inTurn } from '@/lib/inTurn'
import { useNotices } from '@/lib/notices'
import { isOffline, useOutbox } from '@/lib/outbox'

/** Whose work it is: a card's or a set's. */
export type Of = 'cards' | 'sets'

/** The plan once a step is done that nobody could be told of: the next in its order can be begun. */
function without(plan: Plan, key: string): Plan {
  const done = plan.tasks.find((one) => one.key === key)
  if (!done) return plan
  const [next, ...later] = plan.tasks.filter((one) => one !== done)
  const tasks = next ? [{ ...next, free_at: next.free_at ?? plan.now }, ...later] : []
  const past = [...plan.past, { ...done, how: 'already' as const, at: plan.now, took: null }]
  return { ...plan, tasks, past, hand: plan.hand === key ? '' : plan.hand }
}

/** The work on what is open. Every press is sent as it is made; the answer is the new plan. */
export const usePlan = defineStore('plan', () => {
  const plan = shallowRef<Plan | null>(null)
  const problem = ref('')
  const busy = ref(false)
  const notices = useNotices()
  const outbox = useOutbox()
  let received = 0 // when the plan came, by a clock that nobody sets
  let wanted = 0 // what was opened last
  const of = ref<Of>('cards')
  const takeTurn = inTurn()

  function take(found: Plan, id: number) {
    if (id !== wanted) return
    received = performance.now()
    plan.value = outbox
      .steps(of.value, id)
      .reduce((so, mark) => (mark.kind === 'step' ? without(so, mark.key) : so), found)
    problem.value = ''
  }
  /** The second that it is by the server's clock, whatever this device believes. */
  const clock = () => (plan.value ? plan.value.now + (performance.now() - received) / 1000 : 0)

  async function open(id: number, kind: Of = 'cards') {
    if (wanted !== id || of.value !== kind) plan.value = null
    wanted = id
    of.value = kind
    try {
      take(await got(api.GET(`/api/${kind}/{id}/plan`, { params: { path: { id } } })), id)
    } catch (error) {
      if (id !== wanted) return
      problem.value = error instanceof ApiError ? error.message : ''
      if (!(error instanceof ApiError)) notices.fail(error)
    }
  }

  /** One after the other, so that each press knows the version before it. */
  function send(
    ask: (id: number, version: number, now: Plan) => Promise<Plan>,
    later?: { what: Press; key: string },
  ): Promise<boolean> {
    const id = wanted
    return takeTurn(async () => {
      if (!plan.value || id !== wanted) return false
      busy.value = true
      try {
        take(await ask(id, plan.value.version, plan.value), id)
        return true
      } catch (error) {
        if (isOffline(error) && later && plan.value) return keep(plan.value, id, later)
        notices.fail(error)
        if (error instanceof ApiError && error.status === 409) await open(id, of.value)
        return false
      } finally {
        busy.value = false
      }
    })
  }

  /** Without a network what is done is kept, without the time it took; what is begun is so on this device alone. */
  function keep(now: Plan, id: number, { what, key }: { what: Press; key: string }): boolean {
    const task = now.tasks.find((one) => one.key === key)
    if (!task || !['begin', 'done', 'already', 'skip'].includes(what)) {
      notices.show('Without a network steps can be begun, done and left out; no more.', true)
      return false
    }
    if (what === 'begin') {
      plan.value = { ...now, hand: key, since: clock(), spent: 0 }
      return true
    }
    const press = what === 'skip' ? 'skip' : 'already'
    try {
      const words = `“${task.words}” is ${what === 'skip' ? 'left out' : 'done'}.`
      outbox.keep({
        kind: 'step',
        of: of.value,
        place: id,
        version: now.version,
        press,
        key,
        words,
      })
    } catch (error) {
      notices.fail(error)
      return false
    }
    plan.value = without(now, key)
    return true
  }

  const want = (wishes: PlanWishes | ((now: Plan) => PlanWishes)) =>
    send((id, version, now) =>
      got(
        api.PATCH(`/api/${of.value}/{id}/plan`, {
          params: { path: { id } },
          body: { ...(typeof wishes === 'function' ? wishes(now) : wishes), version },
        }),
      ),
    )
  const press = (what: Press, key: string, more: { minutes?: number; go_on?: boolean } = {}) =>
    send(
      (id, version) =>
        got(
          api.POST(`/api/${of.value}/{id}/plan/presses`, {
            params: { path: { id } },
            body: { version, press: what, key, minutes: 0, go_on: false, ...more },
          }),
        ),
      { what, key },
    )
  /** Something else was used than planned, or, with `drop`, that was a mistake. */
  const instead = (told: { of: string; was: number; taken: number } | { drop: number }) =>
    send((id, version) =>
      got(
        api.POST('/api/cards/{id}/plan/instead', {
          params: { path: { id } },
          body: { version, ...told },
        }),
      ),
    )
  const anew = () =>
    send((id, version) =>
      got(
        api.POST(`/api/${of.value}/{id}/plan/anew`, {
          params: { path: { id } },
          body: { version },
        }),
      ),
    )
  async function forgetPace() {
    try {
      await got(api.DELETE('/api/pace', { params: { query: {} } }))
      await open(wanted, of.value)
    } catch (error) {
      notices.fail(error)
    }
  }

  watch(stale, () => wanted && open(wanted, of.value)) // what was kept is sent
  return { plan, of, problem, busy, now: clock, open, want, press, instead, anew, forgetPace }
})
