import { defineStore } from 'pinia'
import { nextInk } from '@core/logbook/logbook'
import { partRun } from '@core/logbook/parted'
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
    const made: string[] = []
    const takeOut = async () => {
      for (const each of made) await logbook.remove('runs', each)
    }
    const before = { state: run.state, stateReason: run.stateReason }
    try {
      for (const part of partRun({ run, trace }, charges, own)) {
        await logbook.putRun(part.run, part.trace)
        made.push(part.run.id)
      }
      const stateReason = 'Each charge that it holds is a run of its own.'
      await logbook.changeRun(id, () => ({ state: 'set-aside', stateReason }))
    } catch (refusal) {
      // All or none: what was kept before the refusal would be there twice once it is parted again.
      await takeOut().catch(() => undefined)
      throw refusal
    }
    const undo = async () => {
      await logbook.changeRun(id, () => before)
      await takeOut()
    }
    return { ids: made, undo }
  }

  return { part }
})
