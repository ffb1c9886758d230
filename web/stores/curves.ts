import { defineStore } from 'pinia'
import { shallowReactive } from 'vue'
import { timeTo } from '@core/analysis/headline'
import type { AcceptanceCurve } from '@core/model/acceptance'
import { byStrength } from '@core/model/strongest'
import { pausesOf, withPauses } from '@core/trace/pauses'
import { handOver } from '../workers/handOver'
import { planWork } from '../workers/plan'
import { useAnalyses } from './analyses'
import { useLogbook } from './logbook'
import { useSpells } from './spells'
import { useTelling } from './telling'

/** A device's acceptance curve, from the full run that was held back least; made once for each such run. */
export const useCurves = defineStore('curves', () => {
  const logbook = useLogbook()
  const analyses = useAnalyses()
  const told = useTelling()
  const spells = useSpells()
  /** By where the trace lies: a corrected run gives another curve. */
  const made = new Map<string, AcceptanceCurve | null>()
  const known = shallowReactive<Record<string, AcceptanceCurve | null>>({})

  async function curveOfRun(runId: string): Promise<AcceptanceCurve | null> {
    const pauses = pausesOf(logbook.run(runId)?.events ?? [])
    const key = `${logbook.traceKeys.get(runId) ?? runId} ${JSON.stringify(pauses)}`
    if (!made.has(key)) {
      const trace = await logbook.readingsOf(runId)
      const counted = trace && withPauses(trace, pauses)
      const work = planWork()
      made.set(key, counted ? await work.acceptance(await handOver(work, counted)) : null)
    }
    return made.get(key) ?? null
  }

  /** `besides` is a run that is to be judged by the others. */
  async function curveOf(deviceId: string, besides?: string): Promise<AcceptanceCurve | null> {
    await analyses.readKept()
    const full = told.ofCharging
      .filter((r) => r.deviceId === deviceId && r.state === 'done' && r.id !== besides)
      .filter((r) => logbook.source(r.sourceId)?.kind !== 'wireless pad')
      .filter((r) => mayBeFull(r.id))
      .map(({ id, sourceId }) => ({
        id,
        fullS: timeTo(analyses.headline(id), 100),
        ratedW: logbook.source(sourceId)?.ratedWatts ?? 0,
        // A source that fed another meanwhile held this one back.
        isOdd: isOdd(id) || spells.fedBesideOf(id) > 0,
      }))
    for (const { id } of byStrength(full)) {
      const curve = await curveOfRun(id)
      if (curve) return curve
    }
    return null
  }

  const isOdd = (runId: string): boolean => {
    const { blocking = 0, warning = 0 } = analyses.headline(runId)?.findings ?? {}
    return blocking + warning > 0
  }

  /** A run whose kept figures say it was not full is not looked into: its trace need not be read. */
  function mayBeFull(runId: string): boolean {
    const kept = analyses.headline(runId)
    return !kept || Number.isNaN(kept.startPercent) || (kept.startPercent <= 10 && kept.endPercent >= 99)
  }

  /** Curves of all devices on the shelf, by device id; null where no full run is in the logbook. */
  async function all(): Promise<Record<string, AcceptanceCurve | null>> {
    for (const { id } of logbook.devices) known[id] = await curveOf(id)
    return { ...known }
  }
  return { known, all, curveOf }
})
