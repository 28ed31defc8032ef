import { computed, inject, provide, type ComputedRef, type InjectionKey } from 'vue'
import type { ColouredPicture, Picture } from '@/api/client'
import { useCard } from '@/card/card'

const KEY: InjectionKey<ComputedRef<ColouredPicture>> = Symbol('the picture that is on screen')

/** The picture that the stage shows; its views ask for it with `usePicture`. */
export const providePicture = (picture: ComputedRef<ColouredPicture>) => provide(KEY, picture)

/** The picture on screen, as it looks, and what is said of it as a whole. */
export function usePicture() {
  const store = useCard()
  const picture = inject(KEY)!
  const drawn = computed<Picture | undefined>(() =>
    store.card!.desk.pictures.find((one) => one.key === picture.value.key),
  )
  type Settings = Omit<
    Extract<Parameters<typeof store.change>[0], { kind: 'set_colouring' }>,
    'kind' | 'picture'
  >
  const set = (settings: Settings) =>
    store.change({ kind: 'set_colouring', picture: picture.value.key, ...settings })
  return { store, picture, drawn, set }
}
