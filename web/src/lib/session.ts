import { defineStore } from 'pinia'
import { computed, ref, watchEffect } from 'vue'
import { api, got, type Door, type Limits, type Person } from '@/api/client'
import { forgetSeen } from './seen'
import { learn } from './words'

export const VIEWS = ['colour', 'greys', 'lamp', 'protan', 'deutan', 'tritan'] as const
export type View = (typeof VIEWS)[number]
const SURROUNDS = ['light', 'mid', 'dark'] as const

/** Who is signed in, how they like things shown, and through which view they look. */
export const useSession = defineStore('session', () => {
  const person = ref<Person | null>(null)
  const demo = ref(false)
  const door = ref<Door | null>(null)
  const limits = ref<Limits | null>(null) // known once the door has answered
  const medium = (value: string) => door.value?.media.find((one) => one.value === value)
  const view = ref<View>('colour')
  let asked: Promise<void> | null = null

  function ready(): Promise<void> {
    asked ??= got(api.GET('/api/door')).then(
      (answer) => {
        person.value = answer.person
        demo.value = answer.demo
        door.value = answer
        limits.value = answer.limits
        learn(answer.phrases)
      },
      (error) => {
        asked = null
        throw error
      },
    )
    return asked
  }

  async function signIn(name: string, password: string, fresh: boolean, invitation = '') {
    const body = { name, password }
    await forgetSeen() // of whoever was here before
    person.value = await got(
      fresh
        ? api.POST('/api/sign-up', { body: { ...body, invitation } })
        : api.POST('/api/sign-in', { body }),
    )
  }

  async function takePassword(who: number, key: string, password: string) {
    await forgetSeen()
    person.value = await got(api.POST('/api/new-password', { body: { who, key, password } }))
  }

  async function openDemo() {
    await forgetSeen()
    person.value = await got(api.POST('/api/open-demo'))
  }

  async function signOut() {
    await api.POST('/api/sign-out')
    await forgetSeen()
    // A whole new page: nothing of one person stays in memory for the next.
    location.assign('/sign-in')
  }

  async function setAddress(email: string, password: string) {
    person.value = await got(api.POST('/api/me/address', { body: { email, password } }))
  }

  async function set(change: Partial<Omit<Person, 'id' | 'device_key' | 'name' | 'email'>>) {
    person.value = await got(api.PATCH('/api/me', { body: change }))
  }

  function nextSurround() {
    const at = SURROUNDS.indexOf(person.value?.surround ?? 'light')
    return set({ surround: SURROUNDS[(at + 1) % SURROUNDS.length] })
  }

  watchEffect(() => {
    document.documentElement.dataset.surround = person.value?.surround ?? 'light'
  })

  return {
    person,
    demo,
    door,
    takePassword,
    limits,
    medium,
    view,
    ready,
    signIn,
    openDemo,
    signOut,
    set,
    setAddress,
    nextSurround,
    onlyOwned: computed(() => person.value?.only_owned ?? false),
  }
})
