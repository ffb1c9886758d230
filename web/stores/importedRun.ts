import { endedBy, seemsMadeBy } from '@core/bench/ended'
import { heatRuleOf } from '@core/bench/setup'
import { nextInk } from '@core/logbook/logbook'
import { blankRun, type Run } from '@core/logbook/run'
import { likeliestCell, type OpenCell, type RunPair } from '@core/plan/openCells'
import type { Protocol } from '@core/protocol/protocol'
import { ruleReadBy } from '@core/protocol/readBy'
import { deviceConditions, noConditions, protocolConditions } from '@core/protocol/runConditions'
import type { Trace } from '@core/trace/trace'
import type { useLogbook } from './logbook'

/** What a file does not say of its run, given once for all that were chosen together. */
export interface Given {
  deviceId: string
  sourceId: string
  cableId: string | null
  meterId: string | null
  /** ISO 8601, for a file without dates; null where nobody says. */
  startedAt: string | null
  notes: string
  /** Which planned run it fills: none, or whichever waits for such a run when it is taken. */
  planned: Run['planned'] | 'first'
  /** Whether the device was set as the protocol of the plan wants it. */
  asPlanned: boolean
  /** Idle time before power-on that is left out, s of the file's clock. */
  fromS: number
  /** Which of the charges that the file holds it is, from 0, and where it ends, s of the same clock. */
  charge?: { at: number; untilS: number }
  /** The run on one clock, where this file is one end of it, and how that was found. */
  joined?: JoinedEnds
}
/** Two ends as one trace, from power-on. */
export interface JoinedEnds {
  trace: Trace
  /** ISO 8601; null where neither file says. */
  startedAt: string | null
  /** Which files, and how they lie on one clock. */
  files: string
}
/** One end of a run, or its first part, which waits for the file of the other. */
export interface OneEnd {
  file: string
  trace: Trace
  startedAt: string | null
  /** Where power-on stands in it, s of its own clock. */
  fromS: number
}
const NOTES_MAX = 2000
/** Words that another sentence follows. */
const sentences = (words: string): string => words && `${words}${/[.!?…]$/.test(words) ? '' : '.'} `

/** What a run of the plan is held to: one that did not come as far as its rule is short, and its place stays open. */
const madeBy = (protocol: Protocol, trace: Trace): Pick<Run, 'stop' | 'heat' | 'state' | 'stateReason'> => ({
  stop: protocol.stop,
  heat: heatRuleOf(protocol),
  ...endedBy(protocol.stop, trace),
})

/**
 * The run of a trace that was read from a file, with the next ink of its device.
 * @param runs those of the logbook, and those of the same file that are kept together with this one
 */
export function importedRun(
  { deviceId, sourceId, cableId, meterId, notes, planned, asPlanned, startedAt: given }: Given,
  trace: Trace,
  startedAt: string | null,
  file: string,
  logbook: ReturnType<typeof useLogbook>,
  cellsFor: (pair: RunPair, runs: readonly Run[]) => OpenCell[],
  runs: readonly Run[] = logbook.runs,
): Run {
  const device = logbook.device(deviceId)
  const begun = startedAt ?? given
  const mayFill = ({ campaignId }: OpenCell) => seemsMadeBy(logbook.campaign(campaignId)?.protocol, trace)
  const place =
    planned === 'first'
      ? likeliestCell(cellsFor({ deviceId, sourceId, cableId }, runs).filter(mayFill), begun)
      : planned
  const protocol = logbook.campaign(place?.campaignId ?? null)?.protocol
  return blankRun({
    id: crypto.randomUUID(),
    deviceId,
    sourceId,
    cableId,
    ink: nextInk(runs.filter((r) => r.deviceId === deviceId).map((r) => r.ink)),
    startedAt: begun ?? new Date().toISOString(),
    dated: begun !== null,
    startPercent: trace.percent?.find((p) => !Number.isNaN(p)) ?? null,
    reading: ruleReadBy(trace),
    provenance: 'import',
    planned: place ? { campaignId: place.campaignId, plannedId: place.plannedId } : null,
    notes: `${sentences(notes.trim())}Read from ${file}.`.slice(0, NOTES_MAX),
    conditions: {
      ...noConditions(),
      ...(device && deviceConditions(device)),
      ...(protocol && (asPlanned ? protocolConditions(protocol) : { protocol: protocol.name })),
      meterId,
    },
    ...(protocol && madeBy(protocol, trace)),
  })
}
