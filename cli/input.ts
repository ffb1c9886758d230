import { readFile } from 'node:fs/promises'
import { InvalidArgumentError } from 'commander'
import { decodeText } from '@core/formats/encoding'
import { problemInWords, UnreadableFile } from '@core/formats/problem'
import { readTraceCsv } from '@core/formats/traceCsv'
import type { Trace } from '@core/trace/trace'

/** A mistake in what was given: shown as one line that names file, line and reason. */
export class InputError extends Error {}

/** A trace as it was read, and what had to be assumed about its file; nothing, where it holds to the columns of its own. */
export interface ReadTrace {
  trace: Trace
  assumed: string[]
}

/** Reads a trace, refusing it when any cell is wrong: a script must not go on with half a file. */
export async function readTraceFile(path: string): Promise<ReadTrace> {
  let text: string
  try {
    text = decodeText(await readFile(path))
  } catch (error) {
    const reason =
      (error as NodeJS.ErrnoException).code === 'ENOENT' ? 'there is no such file' : (error as Error).message
    throw new InputError(`${path}: ${reason}`)
  }
  try {
    const { trace, columns, assumed, problems, problemCount } = readTraceCsv(text)
    if (problemCount === 0) return { trace, assumed: [...columns, ...assumed] }
    const more = problemCount > 1 ? ` (and ${problemCount - 1} more)` : ''
    // What a reader that goes on does about it is not what is done here.
    const [{ message, ...where }] = problems
    throw new InputError(
      `${path}: ${problemInWords({ ...where, message: message.replace(/; the row is left out\.$/, '.') })}${more}`,
    )
  } catch (error) {
    if (!(error instanceof UnreadableFile)) throw error
    const [first] = error.problems
    throw new InputError(`${path}: ${error.message}${first ? ` ${problemInWords(first)}` : ''}`)
  }
}

/** What had to be assumed about files, a line each, for a table that is read. */
export const assumedLines = (files: readonly string[], read: readonly ReadTrace[]): string =>
  read.map(({ assumed }, i) => assumed.map((words) => `${files[i]}: ${words}\n`).join('')).join('')

/** An option's number within bounds, both included unless `above` is set. */
export const numberBetween =
  (low: number, high: number, { above = false } = {}) =>
  (text: string): number => {
    const value = Number(text)
    if (text.trim() === '' || !Number.isFinite(value) || value > high || (above ? value <= low : value < low))
      throw new InvalidArgumentError(
        `It must be a number ${above ? 'above' : 'from'} ${low} ${above ? 'and up ' : ''}to ${high}.`,
      )
    return value
  }

/** An option's list of numbers within bounds, parted by commas. */
export const numbersBetween =
  (...bounds: Parameters<typeof numberBetween>) =>
  (text: string): number[] =>
    text.split(',').map(numberBetween(...bounds))
