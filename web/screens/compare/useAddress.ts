import { computed, type WritableComputedRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { decimal } from '@core/trace/decimal'

export interface UseAddressReturn {
  /** A word of the address among some; the first where it is none of them. */
  word: <T extends string>(key: string, words: readonly T[]) => WritableComputedRef<T>
  /** A number of the address within bounds; the usual one where it is not. */
  number: (key: string, usual: number, low: number, high: number) => WritableComputedRef<number>
  set: (change: Record<string, string | undefined>) => void
  get: (key: string) => string
}

/** A comparison and everything that was set for it live in the address, so that it can be kept as a bookmark. */
export function useAddress(): UseAddressReturn {
  const route = useRoute()
  const router = useRouter()
  const get = (key: string) => String(route.query[key] ?? '')
  const set = (change: Record<string, string | undefined>) =>
    void router.replace({ query: { ...route.query, ...change } })
  return {
    get,
    set,
    word: <T extends string>(key: string, words: readonly T[]) =>
      computed<T>({
        get: () => words.find((w) => w === get(key)) ?? words[0],
        set: (to) => set({ [key]: to === words[0] ? undefined : to }),
      }),
    number: (key, usual, low, high) =>
      computed<number>({
        get: () => {
          const said = decimal(get(key))
          return said >= low && said <= high ? said : usual
        },
        set: (to) => set({ [key]: to === usual || !(to >= low && to <= high) ? undefined : String(to) }),
      }),
  }
}
