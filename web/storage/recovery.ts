import { emptySession } from '@core/bench/session'
import { loadSession, saveSession } from './benchSession'
import { appendLine, readJournals } from './journal'
import { readBenchCopy, readCopy, type CopiedLogbook } from './secondCopy'

/** What the second copy could bring back. */
export interface Recoverable {
  copied: CopiedLogbook | null
  lanes: number
}

export async function lookForCopy(): Promise<Recoverable> {
  const [copied, bench] = await Promise.all([readCopy().catch(() => null), readBenchCopy().catch(() => null)])
  return { copied, lanes: bench?.session.lanes.length ?? 0 }
}

/**
 * Brings the bench back from the second copy: lanes that the store has lost, and lines of their journals that it has
 * not. What the store still has stands. Lanes whose runs are in the logbook are over and stay so.
 */
export async function bringBenchBack(isRun: (runId: string) => boolean): Promise<number> {
  const copy = await readBenchCopy()
  if (!copy) return 0
  const here = await loadSession()
  const known = new Set(here.lanes.map((l) => l.runId))
  const lost = copy.session.lanes.filter((l) => !known.has(l.runId) && !isRun(l.runId))
  const journals = await readJournals()
  for (const { runId } of [...lost, ...here.lanes]) {
    const have = new Set(journals.get(runId)?.numbers)
    const copied = copy.journals.get(runId)
    // By their numbers: a line that the copy missed must not move those after it.
    for (const [i, number] of (copied?.numbers ?? []).entries())
      if (!have.has(number)) await appendLine(runId, number, copied!.lines[i])
  }
  const clock = here.lanes.length ? here : copy.session
  await saveSession({
    ...emptySession(),
    number: Math.max(here.number, copy.session.number) + 1,
    wallShiftMs: clock.wallShiftMs,
    anchor: clock.anchor,
    lanes: [...here.lanes, ...lost],
    apart: [...here.apart, ...copy.session.apart],
  })
  return lost.length
}
