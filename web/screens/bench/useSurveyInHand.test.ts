import { effectScope, type EffectScope } from 'vue'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import type { SurveyReading } from '@core/bench/survey'
import { useSurveyInHand } from './useSurveyInHand'

/** What the store holds, and how it answers: each write waits until it is let through. */
interface Kept {
  pluggedAtMs: number
  readings: SurveyReading[]
}
let kept: Kept | null = null
let waiting: (() => void)[] = []
let refuses = false
vi.mock('../../stores/surveyInHand', () => ({
  loadSurvey: () => Promise.resolve(kept),
  saveSurvey: (now: Kept | null) =>
    new Promise<void>((resolve, reject) =>
      waiting.push(() => {
        if (refuses) return reject(new Error('The disk is full.'))
        kept = now
        resolve()
      }),
    ),
}))
const lock = { isMine: true, came: undefined as undefined | (() => void), left: 0 }
vi.mock('../../stores/tabLock', () => ({
  tabLock: () => ({
    take: () => Promise.resolve(lock.isMine),
    waitFor: (then: () => void) => ((lock.came = then), () => undefined),
    leave: () => void lock.left++,
  }),
}))
vi.mock('../../stores/notices', () => ({ useNotices: () => ({ fail: () => undefined }) }))

let scope: EffectScope
const begin = () => {
  scope = effectScope()
  const choice = { deviceId: 'd', sourceId: 's', cableId: null }
  return scope.run(() =>
    useSurveyInHand(
      () => choice,
      () => true,
    ),
  )!
}
const letThrough = async () => {
  for (let i = 0; i < 20; i++) {
    waiting.splice(0).forEach((go) => go())
    await Promise.resolve()
  }
}
const reading = (t: number) => ({ t, volts: 9, amps: 2, watts: 18 })
beforeEach(() => {
  kept = null
  waiting = []
  refuses = false
  Object.assign(lock, { isMine: true, came: undefined, left: 0 })
})
afterEach(() => scope.stop())

it('stores every reading, however soon the next one is noted', async () => {
  const hand = begin()
  await hand.ready
  hand.plugIn()
  const noted = [hand.note(reading(1)), hand.note(reading(2))]
  expect(hand.readings.value).toEqual([])
  await letThrough()
  await Promise.all(noted)
  expect(hand.readings.value).toEqual([reading(1), reading(2)])
  expect(kept?.readings).toEqual([reading(1), reading(2)])
})

it('stores what an instrument reads and what is typed meanwhile, in order', async () => {
  const hand = begin()
  await hand.ready
  hand.plugIn()
  await letThrough()
  const noted = hand.note(reading(1))
  await Promise.resolve()
  hand.follow([reading(2)])
  await letThrough()
  await noted
  expect(hand.readings.value).toEqual([reading(1), reading(2)])
  expect(kept?.readings).toEqual([reading(1), reading(2)])
})

it('shows none that the store refuses, and goes on with the next', async () => {
  const hand = begin()
  await hand.ready
  hand.plugIn()
  await letThrough()
  refuses = true
  const lost = hand.note(reading(1)).catch((error: Error) => error.message)
  await letThrough()
  expect([await lost, hand.readings.value]).toEqual(['The disk is full.', []])
  refuses = false
  const next = hand.note(reading(2))
  await letThrough()
  await next
  expect([hand.readings.value, kept?.readings]).toEqual([[reading(2)], [reading(2)]])
})

it('gives a source that was begun over no reading of the one before', async () => {
  const hand = begin()
  await hand.ready
  hand.plugIn()
  await letThrough()
  const late = hand.note(reading(5))
  hand.unplug()
  hand.plugIn()
  await letThrough()
  await late
  expect([hand.readings.value, kept?.readings]).toEqual([[], []])
})

it('takes up what was in hand once its tab lets go, and keeps no lock for a screen that was left', async () => {
  lock.isMine = false
  kept = { pluggedAtMs: Date.now() - 60_000, readings: [reading(30)] }
  const hand = begin()
  await hand.ready
  expect([hand.elsewhere.value, hand.isIn.value]).toEqual([true, false])
  lock.came!()
  await letThrough()
  expect([hand.elsewhere.value, hand.isIn.value, hand.readings.value]).toEqual([false, true, [reading(30)]])
  expect(hand.now()).toBeGreaterThanOrEqual(60)
  scope.stop()
  const before = lock.left
  lock.came!()
  expect(lock.left).toBe(before + 1)
})
