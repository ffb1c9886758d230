import { defineStore } from 'pinia'
import { computed } from 'vue'
import { learnable } from '@core/logbook/run'
import { useLogbook } from './logbook'

/** Runs of the logbook from which something may be learnt of others; gone through once for all who ask. */
export const useTelling = defineStore('telling', () => {
  const logbook = useLogbook()
  return { runs: computed(() => learnable(logbook.runs)) }
})
