import { describe, expect, it } from 'vitest'
import {
  absenceInWords,
  explainAbsence,
  explainJump,
  jumpInWords,
  jumpSince,
  type Anchor,
  type Sight,
} from './clock'

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

describe('at the edge of what counts', () => {
  it('a jump is how far the two clocks came apart since they were seen together', () =>
    expect(jumpSince(WALL + 5000, 1000, WALL - 2000)).toBe(6000))

  it('two seconds of sleep or of a set clock are told, less is drift', () => {
    const before = sight(WALL, 1000, 5000)
    const after = (s: number) => explainJump(s * 1000, before, sight(WALL + s * 1000, 1000, 5000 + s))
    expect(after(2)).toEqual({ sleptMs: 2000, setMs: 0 })
    expect(after(1.9)).toEqual({ sleptMs: 0, setMs: 1900 })
    expect(jumpInWords({ sleptMs: 1999, setMs: -1999 })).toBe('')
    expect(jumpInWords({ sleptMs: 2000, setMs: 0 })).toMatch(/slept for 2 s;/)
    expect(jumpInWords({ sleptMs: 0, setMs: 2000 })).toMatch(/moved forward by 2 s\./)
    expect(jumpInWords({ sleptMs: 0, setMs: -90_000 })).toMatch(/moved back by 2 min\./)
    expect(jumpInWords({ sleptMs: 60_000, setMs: 60_000 })).toMatch(/slept .* taken\. This machine’s clock/)
  })

  it('without the clock since start-up on either side, or with another machine, it is a set clock', () => {
    for (const [was, is] of [
      [null, 5000],
      [5000, null],
      [null, null],
    ] as const)
      expect(explainJump(9000, sight(WALL, 0, was), sight(WALL + 9000, 0, is))).toEqual({
        sleptMs: 0,
        setMs: 9000,
      })
    expect(explainJump(9000, sight(WALL, 0, 10, 'x'), sight(WALL + 9000, 0, 19, 'y')).setMs).toBe(9000)
  })

  it('away within one boot, the clock was moved by what its time since start-up does not explain', () => {
    const gone = (movedMs: number, boots: [string | null, string | null] = [boot, boot]) =>
      explainAbsence(anchor(WALL, 100, boots[0]), anchor(WALL + 60_000 + movedMs, 160, boots[1]), WALL)
    expect(gone(1999)).toEqual({ kind: 'same-boot', movedMs: 0, lostCount: false })
    expect(gone(-2000)).toEqual({ kind: 'same-boot', movedMs: -2000, lostCount: false })
    // Without names for the starts, only clocks that went on alike are one start.
    expect(gone(1999, [null, null]).kind).toBe('same-boot')
    expect(gone(2000, [null, null]).kind).toBe('untold')
    expect(gone(0, [null, 'y']).kind).toBe('same-boot')
    expect(gone(0, ['x', 'y'])).toEqual({ kind: 'restarted', movedMs: 0, lostCount: false })
  })

  it('where nobody can tell, the wall clock is believed unless it lies before the last sign of life', () => {
    const now = anchor(WALL, null, null)
    expect(explainAbsence(undefined, now, null)).toEqual({ kind: 'untold', movedMs: 0, lostCount: false })
    expect(explainAbsence(anchor(WALL, 5, 'x'), now, WALL + 2000)).toEqual({
      kind: 'untold',
      movedMs: 0,
      lostCount: false,
    })
    expect(explainAbsence(undefined, now, WALL + 2001)).toEqual({
      kind: 'untold',
      movedMs: -2001,
      lostCount: true,
    })
    expect(explainAbsence(anchor(WALL, 500), anchor(WALL, 400), WALL).kind).toBe('untold')
    expect(explainAbsence(anchor(WALL, null), anchor(WALL, 400), WALL).kind).toBe('untold')
    expect(explainAbsence(anchor(WALL, 400), anchor(WALL, 400), WALL).kind).toBe('same-boot')
  })

  it('an absence that changed nothing needs no words', () => {
    const words = (kind: 'same-boot' | 'restarted' | 'untold', movedMs = 0) =>
      absenceInWords({ kind, movedMs, lostCount: false }, null, String)
    expect([words('same-boot'), words('untold')]).toEqual(['', ''])
    expect(words('restarted')).toMatch(/^This machine was restarted/)
    expect(words('same-boot', 30_000)).toMatch(/moved forward by 1 min while/)
  })
})
