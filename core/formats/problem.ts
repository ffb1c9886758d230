/** Something wrong in a file: where, what, and what was done about it. */
export interface Problem {
  /** 1-based line of the file, or null when it concerns the whole file. */
  line: number | null
  /** Column header or field path; '' when it concerns the whole line. */
  where: string
  message: string
}

/** "line 12, voltage_v: …" */
export const problemInWords = ({ line, where, message }: Problem): string => {
  const place = [line === null ? '' : `line ${line}`, where].filter(Boolean).join(', ')
  return place ? `${place}: ${message}` : message
}

const QUOTED = 40

/** What stands in a file, quoted in a message: never longer than a message may be. */
export const quoted = (text: string): string =>
  `"${text.length > QUOTED ? `${text.slice(0, QUOTED)}…` : text}"`

/** A file that cannot be read at all. `problems` name the places. */
export class UnreadableFile extends Error {
  constructor(
    message: string,
    readonly problems: Problem[] = [],
  ) {
    super(message)
    this.name = 'UnreadableFile'
  }
}

/** Faults that are kept one by one; a file may have a million, and nobody reads them all. */
const MOST_KEPT = 1000

/** Faults of a file as they are found: the first are kept, all are counted. */
export class ProblemList {
  readonly kept: Problem[] = []
  count = 0

  add(line: number | null, where: string, message: string): void {
    this.count++
    if (this.kept.length < MOST_KEPT) this.kept.push({ line, where, message })
  }
}
