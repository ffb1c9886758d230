import { describe, expect, it } from 'vitest'
import type { Milestone } from '../analysis/milestones'
import { frameCount, frameMoment, replayAt, replayLength, replayOf, type ReplayRun } from './replay'

const column = (...values: number[]) => Float64Array.from(values)
const run = (id: string, over: Partial<ReplayRun> = {}): ReplayRun => ({
  id,
  name: id,
  level: { t: column(0, 600, 1200), v: column(10, 50, 100) },
  watts: { t: column(0, 1200), v: column(20, 8) },
  fullS: 1200,
  endS: 1300,
  simulated: false,
  ...over,
})
const slow = run('slow', { level: { t: column(0, 2000), v: column(10, 60) }, fullS: NaN, endS: 2000 })

describe('runs on one clock again', () => {
  it('count their levels and watts between readings', () => {
    expect(replayAt([run('a')], 300)).toEqual([
      {
        id: 'a',
        name: 'a',
        percent: 30,
        shown: 30,
        watts: 17,
        isOwn: false,
        arrived: false,
        fullS: 1200,
        ended: false,
        simulated: false,
      },
    ])
    const [late] = replayAt([run('b', { level: { t: column(60), v: column(5) } })], 30)
    expect(late.percent).toBeNaN()
    expect(replayAt([run('c', { watts: { t: column(), v: column() } })], 30)[0].watts).toBeNaN()
  })

  it('arrive, and stay full; on the way a point is shown once it is reached', () => {
    const runs = [run('late', { fullS: 1300 }), run('first'), slow]
    expect(replayAt(runs, 1200).map((m) => [m.shown, m.arrived])).toEqual([
      [100, false],
      [100, true],
      [40, false],
    ])
    expect(replayAt(runs, 1400).map((m) => m.arrived)).toEqual([true, true, false])
    expect(replayAt([run('a')], 299)[0].shown).toBe(29)
    // The common level of the clocks, by a path that goes straight where the moment was taken by energy.
    expect(replayAt([run('a')], 299.96)[0].shown).toBe(30)
  })

  it('whose clock begins at a common level end on that clock, and keep their last level to the end', () => {
    const { level, watts } = run('a')
    const moved = (fullS: number, reason?: string) =>
      replayOf(
        { id: 'a', name: 'a', simulated: false },
        { level, watts },
        { durationS: 1300, milestones: [{ percent: 100, timeS: fullS, reason } as Milestone] },
        300,
      )
    expect(moved(900)).toMatchObject({ fullS: 900, endS: 1000 })
    expect([...moved(900).level.t, ...moved(900).watts.t]).toEqual([-300, 300, 900, -300, 900])
    // Read to 1200 s, a record of 1300 s, without a full display: it stays at its last level, and then is over.
    const short = moved(NaN, 'not reached')
    expect([850, 950, 1001].map((s) => replayAt([short], s)[0]).map((m) => [m.shown, m.ended])).toEqual([
      [95, false],
      [100, false],
      [100, true],
    ])
  })

  it('whose record ended before they were full stay where they stopped, and draw nothing', () => {
    const [stopped] = replayAt([slow], 2500)
    expect(stopped).toMatchObject({ percent: 60, watts: NaN, ended: true, arrived: false })
    expect(replayAt([slow], 2000)[0].ended).toBe(false)
  })

  it('last until the last arrives or its record ends', () => {
    expect(replayLength([run('a'), slow])).toBe(2000)
    expect(replayLength([run('a')])).toBe(1200)
    expect(replayLength([])).toBe(0)
  })

  it('become frames, of which the last shows the end', () => {
    // An hour at 120 ×, 30 frames a second: half a minute.
    expect(frameCount(3600, 120, 30)).toBe(901)
    expect(frameMoment(0, 3600, 120, 30)).toBe(0)
    expect(frameMoment(450, 3600, 120, 30)).toBe(1800)
    expect(frameMoment(900, 3600, 120, 30)).toBe(3600)
    expect(frameCount(3601, 120, 30)).toBe(902)
    expect(frameMoment(901, 3601, 120, 30)).toBe(3601)
    expect(frameCount(0, 120, 30)).toBe(1)
  })
})
