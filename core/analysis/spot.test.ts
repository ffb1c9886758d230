import { ownEfficiency } from './ownEfficiency'
import { expect, it } from 'vitest'
import { traceFromReadings } from '../trace/trace'
import { claimsAgainst } from './claimed'
import { goneOver, spotCheck, withOwnEfficiency } from './spot'

it('tells the minutes to half from a count of five minutes, as practised and with the losses', () => {
  const five = traceFromReadings([
    { t: 0, counterWh: 0 },
    { t: 300, counterWh: 1 },
  ])
  // Common practice, no source: a 14.1 Wh pack, five minutes.
  for (const [energyWh, minutes] of [
    [0.42, 84],
    [1.63, 22],
    [0.91, 39],
  ])
    expect(Math.round(spotCheck(five, { energyWh, usableWh: 14.1 })!.toHalfLosslessS / 60)).toBe(minutes)
  // 7.05 Wh at 1.26 W, and what arrives of it.
  expect(spotCheck(five, { energyWh: 0.105, usableWh: 14.1 })).toEqual({
    toHalfLosslessS: expect.closeTo((7.05 / 1.26) * 3600, 6),
    toHalfS: expect.closeTo((7.05 / 1.26 / 0.8) * 3600, 6),
    efficiency: 0.8,
    efficiencyAssumed: true,
  })
  const spot = spotCheck(five, { energyWh: 0.105, usableWh: 14.1 })!
  expect(withOwnEfficiency(spot, undefined)).toEqual(spot)
  expect(withOwnEfficiency(spot, 0.7)).toEqual({
    toHalfLosslessS: spot.toHalfLosslessS,
    toHalfS: expect.closeTo((7.05 / 1.26 / 0.7) * 3600, 6),
    efficiency: 0.7,
    efficiencyAssumed: false,
  })
})

it('says nothing above half, of a long record, or without a capacity', () => {
  const of = (seconds: number, percent: number) => traceFromReadings([{ t: 0, percent }, { t: seconds }])
  const known = { energyWh: 0.4, usableWh: 14.1 }
  expect(spotCheck(of(900, 50), known)).not.toBeNull()
  expect(spotCheck(of(901, 50), known)).toBeNull()
  expect(spotCheck(of(900, 51), known)).toBeNull()
  expect(spotCheck(of(0, 5), known)).toBeNull()
  expect(spotCheck(of(300, 5), { ...known, usableWh: NaN })).toBeNull()
  expect(spotCheck(of(300, 5), { ...known, energyWh: 0 })).toBeNull()
})

it('takes a device’s own efficiency from runs over half the battery, and from none that cannot be', () => {
  const run = (efficiency: number, efficiencyGain: number) => ({ efficiency, efficiencyGain })
  expect(ownEfficiency([run(0.7, 95), run(0.9, 10), run(1.4, 95), run(NaN, 95), run(0.8, 60), run(0.77, 80)])).toBe(0.77) // prettier-ignore
  expect(ownEfficiency([run(0.7, 49)])).toBeUndefined()
})

it('sets a claim against the log: met, missed, or left open by the readings', () => {
  /** Read every second: a point each `pace` seconds. */
  const run = (pace: number, from = 0, to = 60) =>
    traceFromReadings(
      Array.from({ length: (to - from) * pace + 1 }, (_, t) => ({ t, percent: from + Math.floor(t / pace) })),
    )
  const half = [{ percent: 50, seconds: 1800 }]
  const verdictOf = (trace: ReturnType<typeof run>) => claimsAgainst(trace, half)[0]
  // 50 × 30 s and 50 × 40 s, less the half point that a display hides.
  expect(verdictOf(run(30))).toMatchObject({ verdict: 'met', reason: '' })
  expect(Math.abs(verdictOf(run(30)).marginS - 300)).toBeLessThan(20)
  expect(verdictOf(run(40))).toMatchObject({ verdict: 'missed' })
  expect(Math.abs(verdictOf(run(40)).marginS + 200)).toBeLessThan(25)
  expect(verdictOf(run(36))).toMatchObject({ verdict: 'not decided', reason: 'The readings leave it open.' })
  // A claim is made from empty: a start at 20 % cannot meet it, but may miss it.
  expect(verdictOf(run(30, 20))).toMatchObject({
    verdict: 'not decided',
    reason: expect.stringMatching(/20 %/),
  })
  expect(verdictOf(run(70, 20)).verdict).toBe('missed')
  expect([1, 2].map((from) => verdictOf(run(30, from)).verdict)).toEqual(['met', 'not decided'])
  // A run that started at the claim's own level tells nothing of it, however long it lasted.
  expect(verdictOf(run(60, 50, 90)).verdict).toBe('not decided')
  // Not there after just as long as was claimed.
  expect([30, 29].map((to) => verdictOf(run(60, 0, to)).verdict)).toEqual(['missed', 'not decided'])
  // Longer than the claim, and not there yet; or stopped before.
  expect(verdictOf(run(60, 0, 40)).verdict).toBe('missed')
  expect(verdictOf(run(30, 0, 40)).verdict).toBe('not decided')
  expect(verdictOf(run(30, 55)).verdict).toBe('not decided')
})

it('tells what went past the meter in a record, bridged included, and its mean', () => {
  // 0.75 Wh in five minutes are 9 W.
  expect(goneOver({ durationS: 300, energy: { energyWh: 0.5, bridgedWh: 0.25 } })).toEqual({
    wh: 0.75,
    meanW: 9,
  })
  expect(goneOver({ durationS: 0, energy: { energyWh: 0, bridgedWh: 0 } }).meanW).toBeNaN()
})
