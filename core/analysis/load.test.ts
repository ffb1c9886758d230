import { expect, it } from 'vitest'
import { traceFromReadings } from '../trace/trace'
import { loadPhases, loadSplit } from './load'

it('splits a source’s power between battery and system, and tells the time to empty', () => {
  // 15 W from the source, the level falls 6 points of 50 Wh in 30 minutes: −6 W, so 21 W for the system.
  const trace = traceFromReadings([
    { t: 0, percent: 80, power: 15 },
    { t: 600, percent: 80, power: 15 },
    { t: 2400, percent: 74, power: 15 },
  ])
  const [phase] = loadSplit(trace, [{ t: 600, kind: 'load-start', text: 'charts' }], 50)
  expect(phase).toMatchObject({ name: 'charts', sourceW: 15 })
  expect(phase.batteryW).toBeCloseTo(-6, 9)
  expect(phase.systemW).toBeCloseTo(21, 9)
  expect(phase.hoursToEmpty).toBeCloseTo(37 / 6, 9)
})

const load = { t: 0, kind: 'load-start', text: 'charts' }
const together = (readings: Parameters<typeof traceFromReadings>[0]) =>
  loadSplit(traceFromReadings(readings), [load], 56)[0]

it('counts source and battery where they were read together (common practice, no source)', () => {
  // A dock gives 55 W, 6.7 W of it reach the battery: 48.3 W for the system. The reading of 30 W had no other end.
  const split = together([
    { t: 0, power: 54 },
    { t: 8, batteryPower: 5.7 },
    { t: 300, power: 56, batteryPower: 7.7 },
    { t: 600, power: 30 },
  ])
  expect([split.sourceW, split.reason]).toEqual([55, undefined])
  expect(split.batteryW).toBeCloseTo(6.7, 9)
  expect(split.systemW).toBeCloseTo(48.3, 9)
  // Its own adapter: 80 W, 33 W into the battery: 47 W.
  expect(together([{ t: 0, power: 80, batteryPower: 33 }, { t: 300 }]).systemW).toBe(47)
})

it('takes the battery’s volts and amperes for its watts, as at the source', () => {
  // 20 V × 2 A from the source; 11.4 V × 1.5 A into the battery are 17.1 W.
  const split = together([
    { t: 0, voltage: 20, current: 2, batteryVoltage: 11.4, batteryCurrent: 1.5 },
    { t: 300, voltage: 20, current: 2, batteryVoltage: 11.4, batteryCurrent: 1.5 },
  ])
  expect([split.sourceW, split.batteryW, split.systemW].map((w) => w.toFixed(6))).toEqual(['40.000000', '17.100000', '22.900000']) // prettier-ignore
})

it('says nothing of the system where the two were read apart while the load changed', () => {
  const apart = (...watts: number[]) =>
    together(
      watts.flatMap((w, i) => [
        { t: i * 60, power: w },
        { t: i * 60 + 11, batteryPower: 6 },
      ]),
    )
  const changing = apart(40, 60, 50)
  expect(changing).toMatchObject({ sourceW: 50, batteryW: 6, systemW: NaN })
  expect(changing.reason).toContain('apart')
  expect(apart(49, 50, 51).systemW).toBe(44)
  expect(apart(50).reason).toContain('apart')
  expect(
    together([
      { t: 0, batteryPower: -4, percent: 50 },
      { t: 60, percent: 50 },
    ]),
  ).toMatchObject({
    systemW: NaN,
    reason: 'The source was not read.',
    hoursToEmpty: 7,
  })
})

it('a load lasts until it stops, or another begins, or the run ends', () => {
  const at = (t: number, kind: string, text = kind) => ({ t, kind, text })
  const events = [at(300, 'load-stop'), at(60, 'load-start', 'a'), at(90, 'light'), at(400, 'load-start', 'b'), at(500, 'load-start', 'c')] // prettier-ignore
  expect(loadPhases(events, 600)).toEqual([
    { name: 'a', startS: 60, endS: 300 },
    { name: 'b', startS: 400, endS: 500 },
    { name: 'c', startS: 500, endS: 600 },
  ])
  expect(loadPhases([at(600, 'load-start')], 600)).toEqual([])
})
