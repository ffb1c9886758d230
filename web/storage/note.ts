/**
 * A small note outside the database: what it held and when. Should the browser lose the database, the note is what tells
 * an empty logbook from a lost one: the store never goes back behind it. The browser writes the note down seconds late,
 * so that it may be behind the store, and that is no loss.
 */
export interface Note {
  /** The edition and revision of the logbook, and the number of the bench's session, as they stood. */
  number: number
  revision: number
  session: number
  runs: number
  lanes: number
  /** ISO 8601. */
  at: string
}

const KEY = 'inkpath-log-note'
const COUNTS = ['number', 'revision', 'session', 'runs', 'lanes'] as const
const isCount = (n: unknown): n is number => typeof n === 'number' && Number.isInteger(n) && n >= 0

export function readNote(): Note | null {
  try {
    const note = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Partial<Note> | null
    if (!note || !COUNTS.every((name) => isCount(note[name]))) return null
    return { ...(note as Note), at: String(note.at) }
  } catch {
    return null
  }
}

/** Changes the note after something was stored. */
export function writeNote(change: Partial<Omit<Note, 'at'>>): void {
  try {
    const before = readNote() ?? { number: 0, revision: 0, session: 0, runs: 0, lanes: 0 }
    localStorage.setItem(KEY, JSON.stringify({ ...before, ...change, at: new Date().toISOString() }))
  } catch {
    // Without the note the second copy still tells a lost database from a new one.
  }
}
