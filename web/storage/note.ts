/**
 * A small note outside the database: how much it held and when. Should the browser lose the database, the note is what
 * tells an empty logbook from a lost one.
 */
export interface Note {
  records: number
  runs: number
  lanes: number
  /** ISO 8601. */
  at: string
}

const KEY = 'inkpath-log-note'
const isCount = (n: unknown): n is number => typeof n === 'number' && Number.isInteger(n) && n >= 0

export function readNote(): Note | null {
  try {
    const note = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Partial<Note> | null
    if (!note || !isCount(note.records) || !isCount(note.runs) || !isCount(note.lanes)) return null
    return { records: note.records, runs: note.runs, lanes: note.lanes, at: String(note.at) }
  } catch {
    return null
  }
}

/** Changes the note. It must never claim more than is stored: it is raised after a write, lowered before one. */
export function writeNote(change: Partial<Omit<Note, 'at'>>): void {
  try {
    const before = readNote() ?? { records: 0, runs: 0, lanes: 0 }
    localStorage.setItem(KEY, JSON.stringify({ ...before, ...change, at: new Date().toISOString() }))
  } catch {
    // Without the note a lost database looks like a new one; the second copy is offered on Files all the same.
  }
}
