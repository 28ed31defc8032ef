import type { InjectionKey, Ref } from 'vue'
import type { Brought } from '@/api/client'

/** What sheets look like that only the maker of a recipe has. */
export const PATTERNS: InjectionKey<Ref<Brought['patterns'] | undefined>> = Symbol('patterns')
