import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { api, ApiError, got, type Plan, type Press, type PlanWishes } from '@/api/client'
import { inTurn } from '@/lib/inTurn'
import { useNotices } from '@/lib/notices'

/** Whose work it is: a card's or a set's. */
export type Of = 'cards' | 'sets'

/** The work on what is open. Every press is sent as it is made; the answer is the new plan. */
export const usePlan = defineStore('plan', () => {
  const plan = shallowRef<Plan | null>(null)
  const problem = ref('')
  const busy = ref(false)
  const notices = useNotices()
  let received = 0 // when the plan came, by a clock that nobody sets
  let wanted = 0 // what was opened last
  const of = ref<Of>('cards')
  const takeTurn = inTurn()

  function take(found: Plan, id: number) {
    if (id !== wanted) return
    received = performance.now()
    plan.value = found
    problem.value = ''
  }
  /** The second that it is by the server's clock, whatever this device believes. */
  const now = () => (plan.value ? plan.value.now + (performance.now() - received) / 1000 : 0)

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
  function send(ask: (id: number, version: number, now: Plan) => Promise<Plan>): Promise<boolean> {
    const id = wanted
    return takeTurn(async () => {
      if (!plan.value || id !== wanted) return false
      busy.value = true
      try {
        take(await ask(id, plan.value.version, plan.value), id)
        return true
      } catch (error) {
        notices.fail(error)
        if (error instanceof ApiError && error.status === 409) await open(id, of.value)
        return false
      } finally {
        busy.value = false
      }
    })
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
    send((id, version) =>
      got(
        api.POST(`/api/${of.value}/{id}/plan/presses`, {
          params: { path: { id } },
          body: { version, press: what, key, minutes: 0, go_on: false, ...more },
        }),
      ),
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

  return { plan, of, problem, busy, now, open, want, press, instead, anew, forgetPace }
})
