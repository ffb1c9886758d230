import { defineStore } from 'pinia'
import { shallowReactive } from 'vue'
import type { Analysis } from '@core/analysis/analyse'
import { capacityOf } from '@core/gear/capacity'
import { analysisWork } from '../workers/analysis'
import { useLogbook } from './logbook'

/** The figures of runs, worked out off the main thread and kept until the run or its device changes. */
export const useAnalyses = defineStore('analyses', () => {
  const logbook = useLogbook()
  const known = shallowReactive(new Map<string, Analysis>())
  const asked = new Map<string, Promise<Analysis | undefined>>()

  /** Changes whenever the figures of the run would. */
  function keyOf(runId: string): string {
    const run = logbook.run(runId)
    const usable =
      run && logbook.device(run.deviceId) ? capacityOf(logbook.device(run.deviceId)!).usableWh : NaN
    return `${logbook.revision} ${runId} ${run?.corrections.length} ${run?.startedAt} ${usable}`
  }

  async function work(runId: string): Promise<Analysis | undefined> {
    const run = logbook.run(runId)
    const trace = await logbook.traceOf(runId)
    if (!run || !trace) return undefined
    const device = logbook.device(run.deviceId)
    const usableWh = device ? capacityOf(device).usableWh : undefined
    const byHand = run.provenance === 'hand' ? true : undefined
    const plain = { ...trace, temperatures: { ...trace.temperatures } }
    return analysisWork().analyse(plain, { usableWh, byHand })
  }

  /** Asks for the figures; `of` shows them once they are there. */
  function ask(runId: string): Promise<Analysis | undefined> {
    const key = keyOf(runId)
    let answer = asked.get(key)
    if (!answer) {
      answer = work(runId).then((analysis) => {
        if (analysis) known.set(key, analysis)
        return analysis
      })
      asked.set(key, answer)
    }
    return answer
  }

  const of = (runId: string): Analysis | undefined => known.get(keyOf(runId))
  return { ask, of }
})
