/** What can happen in a run, each with a key of its own. */
export const EVENTS = [
  { kind: 'screen-on', key: 's', text: 'Screen came on' },
  { kind: 'light', key: 'l', text: 'Charging light changed' },
  { kind: 'supply', key: 'v', text: 'Supply level changed' },
  { kind: 'sound', key: 'b', text: 'Charging sound repeated' },
  { kind: 'cable', key: 'c', text: 'Cable moved' },
  { kind: 'unplugged', key: 'x', text: 'Unplugged to look' },
  { kind: 'plugged-in', key: 'g', text: 'Plugged in again' },
  { kind: 'woken', key: 'w', text: 'Screen woken' },
  { kind: 'load-start', key: 'o', text: 'Load started', asks: 'Name of the load' },
  { kind: 'load-stop', key: 'p', text: 'Load stopped' },
  { kind: 'score', key: 'r', text: 'Benchmark score', asks: 'Name and score' },
  { kind: 'camera', key: 'k', text: 'Camera stopped' },
  { kind: 'own', key: 'n', text: 'Own words', asks: 'What happened' },
] as const satisfies readonly { kind: string; key: string; text: string; asks?: string }[]
export type EventKind = (typeof EVENTS)[number]

/** The words of an event as they are kept. */
export const eventText = (kind: EventKind, own: string): string => {
  if (!('asks' in kind)) return kind.text
  return kind.kind === 'own' || kind.kind === 'load-start' ? own : `${kind.text}: ${own}`
}

/** Names of the loads that a run was put under, each once as it was first written; none where it was put under none. */
export function loadNames(events: readonly { kind: string; text: string }[]): string[] {
  const names = events.flatMap(({ kind, text }) =>
    kind === 'load-start' && text.trim() ? [text.trim()] : [],
  )
  const first = new Map(names.toReversed().map((name) => [name.toLowerCase(), name]))
  return [...first].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, name]) => name)
}
