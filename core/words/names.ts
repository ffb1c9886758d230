import { shortDay } from './moments'

/** How a set-up is called: by its device and its source; `undefined` where that has left the shelf. */
export const setupName = (device: string | undefined, source: string | undefined): string =>
  `${device ?? 'A deleted device'} from ${source ?? 'a deleted source'}`

/** The `nth` run of one set-up in a campaign, counted from 1. */
export const repeatName = (setup: string, nth: number): string => `${setup}, run ${nth}`

/** A run told from others of its set-up by its day, with what else one must know of it: "simulated", "spoilt". */
export const datedName = (setup: string, startedAt: string, ...marks: (string | false)[]): string =>
  [setup, shortDay(startedAt), ...marks.filter(Boolean)].join(', ')

/** A run among others, with the names of its gear where that is still on the shelf. */
export interface NamedRun {
  id: string
  device: string | undefined
  source: string | undefined
}

/** Only what tells runs apart: the source for one device, the device for one source, a number for repeats. By id. */
export function tellingNames(runs: readonly NamedRun[]): Record<string, string> {
  const oneDevice = new Set(runs.map((r) => r.device)).size === 1
  const oneSource = new Set(runs.map((r) => r.source)).size === 1
  const seen = new Map<string, number>()
  const nameOf = ({ device = '?', source = '?' }: NamedRun): string => {
    const name = oneDevice ? source : oneSource ? device : `${device} · ${source}`
    const repeat = (seen.get(name) ?? 0) + 1
    seen.set(name, repeat)
    return repeat > 1 ? `${name} (${repeat})` : name
  }
  return Object.fromEntries(runs.map((r) => [r.id, nameOf(r)]))
}
