import { pairKey, type Campaign, type PlannedRun } from './campaign'

/** What a plan needs to know of a run that was made: what for, and how it ended. */
export interface MadeRun {
  planned: { plannedId: string } | null
  state: 'done' | 'short' | 'spoilt' | 'set-aside'
}

/** What may have become of a planned run. */
export const PLANNED_STATES = ['planned', 'running', 'done', 'spoilt', 'set-aside'] as const
export type PlannedState = (typeof PLANNED_STATES)[number]

/** Where one planned run stands. A spoilt one is still wanted: it waits for its repeat. */
export function stateOf(
  planned: PlannedRun,
  runs: readonly MadeRun[],
  running: ReadonlySet<string>,
): PlannedState {
  if (running.has(planned.id)) return 'running'
  const made = runs.filter((r) => r.planned?.plannedId === planned.id)
  if (made.some((r) => r.state === 'done')) return 'done'
  if (planned.setAside !== null || made.some((r) => r.state === 'set-aside')) return 'set-aside'
  // One that was stopped early is sound as far as it goes, and does not fill the place it was made for.
  return made.some((r) => r.state === 'spoilt') ? 'spoilt' : 'planned'
}

/** Planned runs that need no place on the bench any more, or have it right now. */
export function settledRuns(
  campaign: Campaign,
  runs: readonly MadeRun[],
  running: ReadonlySet<string>,
): Set<string> {
  return new Set(
    campaign.planned
      .filter((p) => !['planned', 'spoilt'].includes(stateOf(p, runs, running)))
      .map((p) => p.id),
  )
}

export interface CellProgress {
  wanted: number
  done: number
  running: number
  spoilt: number
  setAside: number
  missing: number
}

/** How far each cell of the grid is, by pair. */
export function cellProgress(
  campaign: Campaign,
  runs: readonly MadeRun[],
  running: ReadonlySet<string>,
): Map<string, CellProgress> {
  const cells = new Map<string, CellProgress>()
  for (const planned of campaign.planned) {
    const key = pairKey(planned)
    const cell = cells.get(key) ?? { wanted: 0, done: 0, running: 0, spoilt: 0, setAside: 0, missing: 0 }
    const state = stateOf(planned, runs, running)
    cell.wanted++
    if (state === 'done') cell.done++
    else if (state === 'running') cell.running++
    else if (state === 'set-aside') cell.setAside++
    else cell.missing++
    cell.spoilt += runs.filter((r) => r.planned?.plannedId === planned.id && r.state === 'spoilt').length
    cells.set(key, cell)
  }
  return cells
}

/** How many planned runs are in each state. */
export function countStates(
  campaign: Campaign,
  runs: readonly MadeRun[],
  running: ReadonlySet<string>,
): Record<PlannedState, number> {
  const counts = { planned: 0, running: 0, done: 0, spoilt: 0, 'set-aside': 0 }
  for (const p of campaign.planned) counts[stateOf(p, runs, running)]++
  return counts
}

/** True once nothing is left to run. */
export const isOver = (
  campaign: Campaign,
  runs: readonly MadeRun[],
  running: ReadonlySet<string>,
): boolean => {
  const { planned, running: now, spoilt } = countStates(campaign, runs, running)
  return campaign.planned.length > 0 && planned + now + spoilt === 0
}

/** The open runs of the first day that has any left, in order: what is next on the shelf. */
export function nextUp(
  campaign: Campaign,
  settled: ReadonlySet<string>,
  dayOf: (iso: string) => string,
): PlannedRun[] {
  const open = campaign.planned
    .filter((p) => p.slot && !settled.has(p.id) && p.setAside === null)
    .sort((a, b) => a.slot!.startsAt.localeCompare(b.slot!.startsAt))
  return open.filter((p) => dayOf(p.slot!.startsAt) === dayOf(open[0].slot!.startsAt))
}
