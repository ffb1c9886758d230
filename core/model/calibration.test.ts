import { describe, expect, it } from 'vitest'
import { marks } from '../analysis/marks'
import { milestones } from '../analysis/milestones'
import { randomFrom } from '../stats/random'
import { traceFromReadings, type Reading } from '../trace/trace'
import { startOf, step, type ChargeSetup } from './charge'
import { simulatedSetup } from './setup'

// The claimed uncertainty of a time is tried on many simulated runs whose true times are known.

const LEVELS = [50, 80, 90, 100]
const STEP_S = 5
/** Fewer where each change to the program is tried. */
const RUNS = process.env.MUTANTS_ROOM ? 150 : 1000

function drawSetup(seed: number): ChargeSetup {
  const random = randomFrom(seed)
  const within = (low: number, high: number) => low + random.uniform() * (high - low)
  const base = simulatedSetup()
  const usableWh = within(8, 60)
  const watts = usableWh * within(0.35, 1.6)
  return {
    ...base,
    usableWh,
    startPercent: Math.floor(within(1, 40)),
    agreement: { ...base.agreement, watts },
    staircase: [
      { untilShare: within(0.3, 0.6), watts: watts * within(0.8, 1.2) },
      { untilShare: within(0.6, 0.8), watts: watts * within(0.5, 0.8) },
      { untilShare: 1, watts: watts * within(0.3, 0.5) },
    ],
  }
}

interface SimulatedRun {
  /** Level under the display, points, every {@link STEP_S}. */
  level: number[]
  watts: number[]
}
/** Runs on for a while after the display is full, so that the last check is one like the others. */
function simulate(setup: ChargeSetup): SimulatedRun {
  const run: SimulatedRun = { level: [], watts: [] }
  let state = startOf(setup)
  for (let left = 900 / STEP_S; left > 0 && run.level.length < 12_000;) {
    run.level.push(state.share * 100)
    run.watts.push(state.watts)
    if (state.share * 100 >= 99.5) left--
    state = step(setup, state, STEP_S)
  }
  return run
}

/** Displays of whole points; each says full a little early. The level at which they turn to a point, and back. */
const DISPLAYS: Record<string, { shows: (level: number) => number; turnsAt: (percent: number) => number }> = {
  floors: { shows: (l) => Math.min(100, Math.floor(l / 0.993 + 1e-9)), turnsAt: (p) => p * 0.993 },
  rounds: { shows: (l) => Math.min(100, Math.round(l / 0.995)), turnsAt: (p) => (p - 0.5) * 0.995 },
}

const rms = (values: readonly number[]) =>
  Math.sqrt(values.reduce((sum, v) => sum + v * v, 0) / values.length)

describe.each(Object.entries(DISPLAYS))('a display that %s', (_name, { shows, turnsAt }) => {
  const runs = Array.from({ length: RUNS }, (_, i) => simulate(drawSetup(i + 1)))
  const trueTime = ({ level }: SimulatedRun, percent: number) => {
    const after = level.findIndex((l) => l >= turnsAt(percent))
    return STEP_S * (after - (level[after] - turnsAt(percent)) / (level[after] - level[after - 1]))
  }

  it.each([
    [1, false],
    [5, false],
    [10, false],
    [5, true],
  ])('read every %i min, watts beside it: %s', (minutes, metered) => {
    const errors: Record<number, { error: number; u: number }[]> = {}
    for (const run of runs) {
      const every = (minutes * 60) / STEP_S
      const readings: Reading[] = []
      for (let at = 0; at < run.level.length; at += every) {
        const reading = { t: at * STEP_S, percent: shows(run.level[at]) }
        readings.push(metered ? { ...reading, power: run.watts[at] } : reading)
      }
      for (const m of milestones(traceFromReadings(readings), LEVELS)) {
        if (m.reason) continue
        const error = m.timeS - trueTime(run, m.percent)
        ;(errors[m.percent] ??= []).push({ error, u: m.uncertaintyS })
      }
    }
    for (const percent of LEVELS) {
      const all = errors[percent]
      const inside = all.filter((e) => Math.abs(e.error) <= 2 * e.u).length / all.length
      const ratio = rms(all.map((e) => e.error)) / rms(all.map((e) => e.u))
      const mean = all.reduce((sum, e) => sum + e.error, 0) / all.length / (minutes * 60)
      expect(inside, `${percent} %: within two standard uncertainties`).toBeGreaterThanOrEqual(0.95)
      expect(ratio, `${percent} %: error against what is claimed`).toBeGreaterThan(0.5)
      expect(ratio, `${percent} %: error against what is claimed`).toBeLessThan(1.1)
      expect(Math.abs(mean), `${percent} %: lean, as a share of the interval`).toBeLessThan(0.05)
    }
  })

  it('a gain at a mark is known as it says, whether the mark was read or lies between two checks', () => {
    for (const [minutes, at] of [
      [5, 15],
      [10, 15],
      [10, 45],
    ]) {
      const all = runs.flatMap((run) => {
        const every = (minutes * 60) / STEP_S
        const readings = run.level
          .map((level, i) => ({ t: i * STEP_S, percent: shows(level) }))
          .filter((_, i) => i % every === 0)
        const [mark] = marks(traceFromReadings(readings), [at * 60])
        const i = (at * 60) / STEP_S
        if (mark.reason || run.level[i] > 98) return []
        return [{ error: mark.gain - (run.level[i] - run.level[0]), u: mark.uncertainty }]
      })
      expect(all.length).toBeGreaterThan(0.3 * RUNS)
      expect(all.filter((e) => Math.abs(e.error) <= 2 * e.u).length / all.length).toBeGreaterThanOrEqual(0.95)
      expect(rms(all.map((e) => e.error)) / rms(all.map((e) => e.u))).toBeLessThan(1.1)
    }
  })
})
