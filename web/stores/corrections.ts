import { defineStore } from 'pinia'
import { asCorrections, joinCorrections, ratingChanges } from '@core/gear/corrections'
import type { Cable, Device, Meter, Source } from '@core/gear/gear'
import { withAnswer, type AnsweredFinding } from '@core/logbook/answers'
import type { Records } from '@core/logbook/collections'
import {
  addReading,
  checkPlace,
  correctBackwards,
  correctCondition,
  correctStart,
  correctTime,
  correctValue,
  type Correctable,
  type ReadingPlace,
} from '@core/logbook/corrections'
import { heldToPlan, rejudged } from '@core/logbook/rejudged'
import { leaveOut, takeBackIn } from '@core/logbook/leftOut'
import type { Run, RunWithTrace } from '@core/logbook/run'
import { correctRule, type RuleName } from '@core/logbook/runRules'
import { threeWay } from '@core/logbook/threeWay'
import { deviceConditions, type RunConditionName } from '@core/protocol/runConditions'
import type { Reading, Trace } from '@core/trace/trace'
import type { ValueColumn } from '@core/trace/valueColumn'
import { useLogbook } from './logbook'
import type { ShelfKind } from './lookups'

type Gear = Device | Source | Cable | Meter

/** Putting right what is in the logbook: the old value, the reason and the moment stay, and each is one write. */
export const useCorrections = defineStore('corrections', () => {
  const logbook = useLogbook()

  /**
   * Stores a piece of gear whose ratings changed; the old values and the reason stay with it for good, in one write.
   * `base` is what its editor began with: fields it did not touch keep what stands there now.
   */
  const correctGear = async <K extends ShelfKind>(
    kind: K,
    item: Records[K],
    base: Records[K] | undefined,
    why: string,
  ) => {
    // A run kept by an earlier version learnt its battery from the device as it was read: it keeps that now.
    if (kind === 'devices')
      for (const run of logbook.runsWith(kind, item.id)) await logbook.changeRun(run.id, () => ({}))
    return logbook.write(kind, () => {
      const now = logbook.recordOf(kind, item.id) as Gear | undefined
      const put = (now && base ? threeWay(base, item, now as Records[K]) : item) as Gear
      const changes = now ? ratingChanges(now, put) : []
      const corrections = asCorrections(changes, why, new Date().toISOString())
      return { ...put, corrections: joinCorrections(now?.corrections ?? [], corrections) } as Records[K]
    })
  }

  /** Puts something of a run's readings right; the old value, the reason and the moment stay with it. One write. */
  async function correctReadings(id: string, how: (of: RunWithTrace) => RunWithTrace) {
    let corrected!: Trace
    const decide = async (): Promise<Run> => {
      const trace = await logbook.traceOf(id)
      const run = logbook.run(id)
      if (!run || !trace) throw new Error('This run was changed in another tab. Look at it again first.')
      const done = how({ run, trace })
      corrected = done.trace
      return rejudged({ run, trace }, done)
    }
    await logbook.write('runs', decide, () => corrected)
  }
  const because = (why: string) => ({ why, when: new Date().toISOString() })
  const correctPlace = (id: string, place: ReadingPlace, how: (of: RunWithTrace) => RunWithTrace) =>
    correctReadings(id, (of) => {
      checkPlace(of, place)
      return how(of)
    })
  const correct = (id: string, place: ReadingPlace, what: ValueColumn, to: number | null, why: string) =>
    correctPlace(id, place, (of) => correctValue(of, place.row, what, to ?? NaN, because(why)))
  const moveReading = (id: string, place: ReadingPlace, to: number, why: string) =>
    correctPlace(id, place, (of) => correctTime(of, place.row, to, because(why)))
  const addForgotten = (id: string, reading: Reading, why: string) =>
    correctReadings(id, (of) => addReading(of, reading, because(why)))

  const cutOut = (id: string, stretch: { fromS: number; toS: number }, why: string) =>
    correctReadings(id, (of) => leaveOut(of, stretch, because(why)))
  /** By when it was left out: another tab may have taken another one back meanwhile. */
  const putStretchBack = (id: string, when: string) => correctReadings(id, (of) => takeBackIn(of, when))

  /** Puts a condition of a run right; `said` has both values in words. */
  const putRight = (
    id: string,
    field: Correctable,
    to: Run['conditions'][RunConditionName],
    said: { from: string; to: string },
    why: string,
  ) => logbook.changeRun(id, (run) => correctCondition(run, field, to, said, because(why)))

  /** Puts a rule right that a run was made by. */
  async function putRuleRight<K extends RuleName>(id: string, rule: K, to: Run[K], why: string) {
    await logbook.changeRun(id, async (run) => {
      // As it stands by then: another tab may have put a reading right meanwhile.
      const trace = await logbook.traceOf(id)
      const put = correctRule(run, rule, to, because(why))
      return trace ? rejudged({ run, trace }, { run: put, trace }) : put
    })
  }

  /** Changes what a run is called and what is said of it, and its power-on where that is another: one write. */
  async function editRun(
    id: string,
    changed: Partial<Pick<Run, 'name' | 'notes' | 'planned'>>,
    start?: { startedAt: string; said: { from: string; to: string }; why: string },
  ) {
    const protocol = logbook.campaign(changed.planned?.campaignId ?? null)?.protocol
    await logbook.changeRun(id, async (run) => {
      const trace = protocol && (await logbook.traceOf(id))
      return {
        ...(start ? correctStart(run, start.startedAt, start.said, because(start.why)) : {}),
        ...changed,
        ...(protocol && trace ? heldToPlan(run, trace, protocol.stop) : {}),
      }
    })
  }

  /** Answers a finding; it stays on record, with the answer beside it. */
  const answer = (id: string, finding: AnsweredFinding, text: string) =>
    logbook.changeRun(id, (run) => withAnswer(run, finding, text, new Date().toISOString()))

  /** Carries a device's battery as it is now back to the runs that were made before, since it was always so. */
  async function carryBack(device: Device, fromMs: number, why: string) {
    const now = deviceConditions(device)
    for (const run of logbook.runsWith('devices', device.id))
      if (Date.parse(run.startedAt) >= fromMs)
        await logbook.changeRun(run.id, (as) => correctBackwards(as, now, because(why)))
  }

  return {
    correctGear,
    correct,
    moveReading,
    addForgotten,
    cutOut,
    putStretchBack,
    putRight,
    putRuleRight,
    editRun,
    answer,
    carryBack,
  }
})
