import { defineStore } from 'pinia'
import { shallowReactive } from 'vue'
import type { AcceptanceCurve } from '@core/model/forecast'
import { planWork } from '../workers/plan'
import { useLogbook } from './logbook'

/** A device's acceptance curve, from its full run on the strongest source; made once for each such run. */
export const useCurves = defineStore('curves', () => {
  const logbook = useLogbook()
  const made = new Map<string, AcceptanceCurve | null>()
  const known = shallowReactive<Record<string, AcceptanceCurve | null>>({})

  async function curveOfRun(runId: string): Promise<AcceptanceCurve | null> {
    if (!made.has(runId)) {
      const trace = await logbook.traceOf(runId)
      const plain = trace && { ...trace, temperatures: { ...trace.temperatures } }
      made.set(runId, plain ? await planWork().acceptance(plain) : null)
    }
    return made.get(runId) ?? null
  }

  async function curveOf(deviceId: string): Promise<AcceptanceCurve | null> {
    const watts = (sourceId: string) => logbook.source(sourceId)?.ratedWatts ?? 0
    const runs = logbook.runs
      .filter((r) => r.deviceId === deviceId && r.state === 'done')
      .filter((r) => logbook.source(r.sourceId)?.kind !== 'wireless pad')
      .sort((a, b) => watts(b.sourceId) - watts(a.sourceId))
    for (const run of runs) {
      const curve = await curveOfRun(run.id)
      if (curve) return curve
    }
    return null
  }

  /** Curves of all devices on the shelf, by device id; null where no full run is in the logbook. */
  async function all(): Promise<Record<string, AcceptanceCurve | null>> {
    for (const { id } of logbook.devices) known[id] = await curveOf(id)
    return { ...known }
  }
  return { known, all }
})
