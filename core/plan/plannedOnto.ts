import type { PlannedRun } from './campaign'

/**
 * A campaign's runs as they stand now, with the places that a new timetable gave them. What was changed since the
 * timetable was begun stays: runs that are gone or new, set aside or brought back, or put somewhere by hand.
 * @param before the runs that the timetable was made of
 * @param after the same runs with their new places
 */
export function plannedOnto(
  now: readonly PlannedRun[],
  before: readonly PlannedRun[],
  after: readonly PlannedRun[],
): PlannedRun[] {
  const [known, laid] = [before, after].map((runs) => new Map(runs.map((run) => [run.id, run])))
  return now.map((run) => {
    const [was, is] = [known!.get(run.id), laid!.get(run.id)]
    if (!was || !is || run.setAside !== was.setAside || run.pinned !== was.pinned) return run
    return { ...run, slot: is.slot, pinned: is.pinned }
  })
}
