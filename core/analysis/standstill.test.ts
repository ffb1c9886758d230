import { expect, it } from 'vitest'
import { traceFromReadings, type Reading } from '../trace/trace'
import { standstills, type StandstillOptions } from './standstill'

/** Readings of the display, s and percent, and the same watts at each of them. */
type Shown = readonly [t: number, percent: number]
const found = (shown: readonly Shown[], watts: Partial<Reading>, options: StandstillOptions) =>
  standstills(traceFromReadings(shown.map(([t, percent]) => ({ t, percent, ...watts }))), options)
const kinds = (...asked: Parameters<typeof found>) => found(...asked).map(({ kind }) => kind)
/** A point each so many seconds, from one level up to another; the last of them at `endS`. */
const rising = (from: number, to: number, stepS: number, endS: number): Shown[] =>
  Array.from({ length: to - from + 1 }, (_, i) => [endS - (to - from - i) * stepS, from + i] as const)

// 18 Wh in the battery are 22.5 Wh at the meter, as usual (0.8): a point for each 810 J.
const USABLE = { usableWh: 18, heldPeakW: 18 }

it('finds a display that stands while three points’ energy flows, and how far it then jumps', () => {
  const standing = (untilS: number): Shown[] => [[0, 10], [45, 11], [untilS, 11], [untilS + 45, 18]] // prettier-ignore
  expect(kinds(standing(45 + 134), { power: 18 }, USABLE)).toEqual([])
  expect(found(standing(45 + 136), { power: 18 }, USABLE)).toEqual([
    {
      kind: 'stuck',
      startS: 45,
      endS: 181,
      percent: 11,
      expectedPoints: expect.closeTo(136 / 45, 9),
      jump: 7,
      isLast: false,
    },
  ])
})

it('asks for two minutes of it, whatever flows; near full as well, and not at 100', () => {
  const standing = (seconds: number, percent: number): Shown[] => [[0, percent - 1], [10, percent], [10 + seconds, percent]] // prettier-ignore
  const strong = { usableWh: 18, heldPeakW: 90 }
  expect(kinds(standing(119, 40), { power: 90 }, strong)).toEqual([])
  expect(found(standing(120, 40), { power: 90 }, strong)).toMatchObject([
    { kind: 'stuck', isLast: true, jump: NaN, expectedPoints: expect.closeTo((120 * 90) / 810, 9) },
  ])
  expect(kinds(standing(900, 99), { power: 18 }, USABLE)).toEqual(['stuck'])
  expect(kinds(standing(900, 100), { power: 18 }, USABLE)).toEqual([])
})

it('goes by the battery’s own watts where they were read: they are not lessened on the way', () => {
  const shown: Shown[] = [[0, 10], [45, 11], [245, 11]] // prettier-ignore
  const [{ expectedPoints }] = found(shown, { power: 18, batteryPower: 14.4 }, USABLE)
  expect(expectedPoints).toBeCloseTo((200 * 14.4 * 100) / (18 * 3600), 9)
})

it('goes by the run’s own points for each joule where the capacity is not known, until it was full', () => {
  // 30 points in 3,000 s at 10 W: a point for each 1,000 J; what flows after full tells nothing.
  const shown: Shown[] = [[0, 70], [500, 80], [1000, 80], [3000, 100], [9000, 100]] // prettier-ignore
  const [{ expectedPoints, kind }] = found(shown, { power: 10 }, { heldPeakW: 10 })
  expect([kind, expectedPoints]).toEqual(['stuck', expect.closeTo(5, 9)])
})

it('and over all of the record where it never was, from the first level on', () => {
  // 10 points for the 20,000 J from 100 s to 2,100 s at 10 W; what flowed before the first level brought none of them.
  const levels: Shown[] = [[100, 10], [700, 20], [2100, 20]] // prettier-ignore
  const trace = traceFromReadings([
    { t: 0, power: 10 },
    ...levels.map(([t, percent]) => ({ t, percent, power: 10 })),
  ])
  expect(standstills(trace, { heldPeakW: 10 })).toMatchObject([
    { kind: 'stuck', percent: 20, expectedPoints: expect.closeTo(7, 9), isLast: true },
  ])
})

it('calls it a stall where less than a tenth of the held peak flows, by the time a point usually takes', () => {
  const shown = (seconds: number): Shown[] => [...rising(20, 26, 60, 360), [360 + seconds, 26]]
  const at = (power: number, seconds: number) =>
    found(shown(seconds), { power }, { usableWh: 18, heldPeakW: 20 })
  expect(at(1.9, 179)).toEqual([])
  expect(at(1.9, 180)).toMatchObject([{ kind: 'stalled', percent: 26, expectedPoints: 3 }])
  // With a tenth of it, it charges: 2 W for 180 s are no point.
  expect(at(2, 180)).toEqual([])
  expect(at(2, 2000)).toMatchObject([{ kind: 'stuck' }])
  // A point may take longer than that usually: the median counts, not the slowest.
  const uneven: Shown[] = [[0, 10], [60, 11], [120, 12], [920, 13], [1100, 13]] // prettier-ignore
  expect(found(uneven, { power: 0.1 }, { heldPeakW: 20 })).toMatchObject([{ expectedPoints: 3 }])
  // Several points at once took a share each: 60, 120 and 300 s a point.
  const coarse: Shown[] = [[0, 10], [60, 11], [300, 13], [1200, 16], [1560, 16]] // prettier-ignore
  expect(found(coarse, { power: 0.1 }, { heldPeakW: 20 })).toMatchObject([{ percent: 16, expectedPoints: 3 }])
})

it('calls it held from 70 % on, for ten minutes; from 95 % on a charge slows down by itself', () => {
  const at = (percent: number, seconds: number) =>
    kinds([...rising(percent - 5, percent, 30, 150), [150 + seconds, percent]], { power: 0.5 }, { heldPeakW: 20 })
  expect([at(70, 600), at(70, 599), at(69, 600)]).toEqual([['held'], ['stalled'], ['stalled']])
  expect([at(94, 600), at(95, 600)]).toEqual([['held'], []])
}) // prettier-ignore

it('does not know why where nobody read the watts, and then waits ten minutes of the pace of the last ten points', () => {
  // Ten points at a minute each, then five at one minute and five at three: of the last ten, two minutes each. Five
  // points' time are ten minutes; that the level falls later is not before it.
  const shown = (seconds: number): Shown[] => [
    ...rising(10, 25, 60, 900),
    ...rising(26, 30, 180, 1800),
    [1800 + seconds, 30],
    [1900 + seconds, 12],
  ]
  const asked = (seconds: number) => found(shown(seconds), {}, { heldPeakW: NaN })
  expect(asked(599)).toEqual([])
  expect(asked(600)).toMatchObject([{ kind: 'unknown', percent: 30, expectedPoints: 5 }])
  // Fewer than ten points before: what is usual.
  expect(found([[0, 50], [100, 51], [200, 52], [800, 52]], {}, { heldPeakW: NaN })).toMatchObject([{ expectedPoints: 6 }]) // prettier-ignore
  // Watts that begin within the stretch, or end in it, tell nothing of it.
  const watts = (fromS: number, untilS: number) =>
    standstills(
      traceFromReadings(
        shown(600).map(([t, percent]) => ({
          t,
          percent,
          ...(t >= fromS && t <= untilS ? { power: 9 } : {}),
        })),
      ),
      { heldPeakW: 9, usableWh: 18 },
    ).map(({ kind }) => kind)
  expect([watts(0, 2400), watts(1800, 2400)]).toEqual([['stuck'], ['stuck']])
  expect([watts(1801, 2400), watts(0, 2399)]).toEqual([['unknown'], ['unknown']])
})

it('takes each standstill of several, and less than half a point more or less for the same level', () => {
  const half: Shown[] = [[0, 10], [45, 11], [345, 11.5]] // prettier-ignore
  expect(found(half, { power: 18 }, USABLE)).toEqual([])
  const shown: Shown[] = [[0, 10], [45, 11], [345, 11.4], [390, 30], [690, 30]] // prettier-ignore
  expect(found(shown, { power: 18 }, USABLE).map(({ percent, jump, isLast }) => [percent, jump, isLast])).toEqual([
    [11, expect.closeTo(18.6, 9), false],
    [30, NaN, true],
  ])
  expect(standstills(traceFromReadings([]), USABLE)).toEqual([])
}) // prettier-ignore
