import { computed, type ComputedRef } from 'vue'

/**
 * A question of a store that lists ask thousands of times. As a function of its own, the store would wrap it in what
 * tells listeners of deeds, at a price that is paid with every call; held by a computed, it stays as it is.
 */
export const asked = <Question>(question: Question): ComputedRef<Question> => computed(() => question)
