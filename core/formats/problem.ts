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
