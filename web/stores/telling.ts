import { defineStore } from 'pinia'
import { computed } from 'vue'
import { isUnderLoad, learnable } from '@core/logbook/run'
import { useLogbook } from './logbook'

/** Runs of the logbook from which something may be learnt of others; gone through once for all who ask. */
export const useTelling = defineStore('telling', () => {
  const logbook = useLogbook()
  const runs = computed(() => learnable(logbook.runs))
  /** From these what a device takes, and how much of it arrives. */
  const ofCharging = computed(() => runs.value.filter((run) => !isUnderLoad(run)))
  return { runs, ofCharging }
})
