import { describe, expect, it } from 'vitest'
import { absenceInWords, explainAbsence, explainJump, jumpInWords, type Anchor, type Sight } from './clock'

const WALL = Date.parse('2026-03-02T19:00:00Z')
const MIN = 60_000
const boot = 'b1'
const sight = (
  wallMs: number,
  pageMs: number,
  uptimeS: number | null,
  bootId: string | null = boot,
): Sight => ({
  wallMs,
  pageMs,
  uptimeS,
  bootId,
})
const anchor = (wallMs: number, uptimeS: number | null, bootId: string | null = boot): Anchor => ({
  wallMs,
  uptimeS,
  bootId,
})

describe('a jump of the machine’s clock while the page lives', () => {
  const before = sight(WALL, 1000, 5000)
  it('is a set clock where the clock since start-up went on as the page’s did', () => {
    const now = sight(WALL + 10 * MIN - 60 * MIN, 1000 + 10 * MIN, 5600)
    expect(explainJump(-60 * MIN, before, now)).toEqual({ sleptMs: 0, setMs: -60 * MIN })
  })
  it('is sleep where the page’s clock stood still, and both where both came together', () => {
    expect(explainJump(20 * MIN, before, sight(WALL + 20 * MIN, 1000, 6200))).toEqual({
      sleptMs: 20 * MIN,
      setMs: 0,
    })
    expect(explainJump(-40 * MIN, before, sight(WALL - 40 * MIN, 1000, 6200))).toEqual({
      sleptMs: 20 * MIN,
      setMs: -60 * MIN,
    })
  })
  it('is taken for a set clock where nobody can tell, or another machine answers', () => {
    expect(explainJump(20 * MIN, before, sight(0, 0, null))).toEqual({ sleptMs: 0, setMs: 20 * MIN })
    expect(explainJump(20 * MIN, before, sight(0, 1000, 6200, 'b2'))).toEqual({ sleptMs: 0, setMs: 20 * MIN })
  })
  it('is told in words, a drift is not', () => {
    expect(jumpInWords({ sleptMs: 20 * MIN, setMs: -60 * MIN })).toBe(
      'This machine slept for 20 min; the runs’ clocks count it, and no reading was taken. This machine’s clock was moved back by 60 min. The runs’ clocks did not change.',
    )
    expect(jumpInWords({ sleptMs: 0, setMs: 1500 })).toBe('')
  })
})

describe('the time a program was away', () => {
  const stored = anchor(WALL, 600)
  it('is exact within one start of the machine, however its clock was moved', () => {
    const moved = explainAbsence(stored, anchor(WALL + 75 * MIN, 600 + 15 * 60), null)
    expect(moved).toEqual({ kind: 'same-boot', movedMs: 60 * MIN, lostCount: false })
    expect(absenceInWords(moved, null, String)).toMatch(
      /moved forward by 60 min while the program was closed/,
    )
  })
  it('is believed to the clock on the wall after a restart, which no longer passes for the same start', () => {
    // Restarted, and up for longer than it had been before: 75 minutes have passed, not ten.
    const absence = explainAbsence(stored, anchor(WALL + 75 * MIN, 1200, 'b2'), WALL + 5 * MIN)
    expect(absence).toEqual({ kind: 'restarted', movedMs: 0, lostCount: false })
    expect(absenceInWords(absence, null, String)).toMatch(/restarted while lanes ran/)
  })
  it('is believed to the clock on the wall where no boot has a name and the clocks do not agree', () => {
    const nameless = explainAbsence(anchor(WALL, 600, null), anchor(WALL + 75 * MIN, 1200, null), null)
    expect(nameless).toEqual({ kind: 'untold', movedMs: 0, lostCount: false })
    const agreeing = explainAbsence(anchor(WALL, 600, null), anchor(WALL + 10 * MIN, 1200, null), null)
    expect(agreeing.kind).toBe('same-boot')
  })
  it('goes on from the last sign of life where the clock was set back before it', () => {
    const absence = explainAbsence(stored, anchor(WALL - 30 * MIN, 20, 'b2'), WALL + MIN)
    expect(absence).toEqual({ kind: 'restarted', movedMs: -31 * MIN, lostCount: true })
    expect(absenceInWords(absence, WALL + MIN, () => '19:01')).toMatch(/go on from 19:01/)
  })
})
