import { afterEach, beforeEach, vi } from 'vitest'
import { createApp, nextTick, type App, type Component, type Plugin } from 'vue'
import { createPinia, setActivePinia, type Pinia } from 'pinia'

/** One question to the server, answered by the test when it likes. */
export type Asked = {
  method: string
  path: string
  query: Record<string, string>
  body: Record<string, unknown> | null
  person: string | null // whom it is meant for
  answer: (data: unknown, status?: number) => Promise<void>
  fail: () => Promise<void>
}

/** All questions since the test began, in their order. */
export const asked: Asked[] = []

/** Let everything that waits for an answer go on. */
export const settled = () => new Promise((done) => setTimeout(done))

/** What comes to hold; a busy machine is no fault. */
export const eventually = <T>(holds: () => T | Promise<T>): Promise<T> =>
  vi.waitFor(holds, { timeout: 45_000 })

/** The nth question, once it has come: a form takes a moment to be read. */
export async function question(number: number): Promise<Asked> {
  await eventually(() => {
    if (!asked[number]) throw new Error(`question ${number} did not come`)
  })
  return asked[number]!
}

// The client keeps the function that it finds when it is loaded, so it must stand before that.
globalThis.fetch = async (given: RequestInfo | URL, how?: RequestInit) => {
  const request = given instanceof Request ? given : new Request(new URL(given, location.href), how)
  const text = request.method === 'GET' ? '' : await request.text()
  const stop = how?.signal ?? request.signal
  return new Promise<Response>((done, broken) => {
    stop?.addEventListener('abort', () => broken(stop.reason))
    asked.push({
      method: request.method,
      path: new URL(request.url).pathname,
      query: Object.fromEntries(new URL(request.url).searchParams),
      person: request.headers.get('X-Person'),
      body: text.startsWith('{') ? JSON.parse(text) : null,
      answer: async (data, status = 200) => {
        const headers = { 'Content-Type': 'application/json' }
        if (data instanceof Response) {
          const body = data.body?.pipeThrough(new TransformStream(), { signal: stop })
          done(new Response(body, data))
        } else done(new Response(JSON.stringify(data), { status, headers }))
        await settled()
      },
      fail: async () => {
        broken(new TypeError('no network'))
        await settled()
      },
    })
  })
}

export let pinia: Pinia

beforeEach(() => {
  asked.length = 0
  pinia = createPinia()
  setActivePinia(pinia)
  vi.restoreAllMocks()
})

const mounted: App[] = []
afterEach(() => mounted.splice(0).forEach((app) => app.unmount()))

/** What a composable gives in a component that stands on a page; `unmount` leaves the page. */
export function inSetup<T>(use: () => T): T & { unmount: () => void } {
  let made: T
  const app = createApp({
    setup() {
      made = use()
      return () => null
    },
  })
  mounted.push(app)
  app.mount(document.createElement('div'))
  return Object.assign(made! ?? {}, { unmount: () => app.unmount() }) as T & { unmount: () => void }
}

export const flushPromises = settled

/** A component on the page, as a person has it before them. */
export async function onPage(
  component: Component,
  props: Record<string, unknown> = {},
  ...plugins: Plugin[]
) {
  const place = document.createElement('div')
  document.body.replaceChildren(place)
  const app = createApp(component, props)
  for (const plugin of plugins) app.use(plugin)
  mounted.push(app)
  app.mount(place)
  await nextTick()
  return place
}

/** A key pressed where the focus is; what follows has been drawn after it. */
export async function press(key: string, how: KeyboardEventInit = {}) {
  const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...how })
  ;(document.activeElement ?? document.body).dispatchEvent(event)
  await settled()
  return event.defaultPrevented
}
