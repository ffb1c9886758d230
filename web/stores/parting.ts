import { defineStore } from 'pinia'
import { nextInk } from '@core/logbook/logbook'
import { partRun } from '@core/logbook/parted'
import type { Run } from '@core/logbook/run'
import { analysisWork } from '../workers/analysis'
import { handOver } from '../workers/handOver'
import { useLogbook } from './logbook'

/** Parting a run whose record went on from one charge into the next. */
export const useParting = defineStore('parting', () => {
  const logbook = useLogbook()

  /**
   * Makes a run of each charge, all of them or none; the whole is set aside and stays as it is.
   *
   * @returns the new runs, and a way back to the whole
   * @throws Error where its readings hold one charge alone
   */
  async function part(id: string): Promise<{ ids: string[]; undo: () => Promise<void> }> {
    const trace = await logbook.traceOf(id)
    if (!trace) throw new Error('This run is no longer in the logbook.')
    const worker = analysisWork()
    const charges = await worker.charges(await handOver(worker, trace))
    // As it stands now: something may have been put right meanwhile, in another tab too.
    const run = logbook.run(id)
    if (!run || (await logbook.traceOf(id)) !== trace)
      throw new Error('This run was changed meanwhile. Look at it again.')
    if (charges.length < 2) throw new Error('Its readings hold one charge alone.')
    const inks = logbook.runs.filter((r) => r.deviceId === run.deviceId).map((r) => r.ink)
    const own = charges.map(() => {
      const ink = nextInk(inks)
      inks.push(ink)
      return { id: crypto.randomUUID(), ink }
    })
    const before = { state: run.state, stateReason: run.stateReason }
    const set = (state: Pick<Run, 'state' | 'stateReason'>) => ({
      put: 'runs' as const,
      record: { ...asItStands(id), ...state },
    })
    const parts = partRun({ run, trace }, charges, own)
    await logbook.change(() => [
      ...parts.map((p) => ({ put: 'runs' as const, record: p.run, trace: p.trace })),
      set({ state: 'set-aside', stateReason: 'Each charge that it holds is a run of its own.' }),
    ])
    const undo = async () => {
      await logbook.change(() => [
        set(before),
        ...own.filter((o) => logbook.run(o.id)).map((o) => ({ drop: 'runs' as const, id: o.id })),
      ])
    }
    return { ids: own.map((o) => o.id), undo }
  }

  function asItStands(id: string): Run {
    const run = logbook.run(id)
    if (!run) throw new Error('This run is no longer in the logbook.')
    return run
  }

  return { part }
})
