import { readFile } from 'node:fs/promises'
import { InvalidArgumentError } from 'commander'
import { decodeText } from '@core/formats/encoding'
import { problemInWords, UnreadableFile } from '@core/formats/problem'
import { readTraceCsv } from '@core/formats/traceCsv'
import type { Trace } from '@core/trace/trace'

/** A mistake in what was given: shown as one line that names file, line and reason. */
export class InputError extends Error {}

/** Reads a trace, refusing it when any cell is wrong: a script must not go on with half a file. */
export async function readTraceFile(path: string): Promise<Trace> {
  let text: string
  try {
    text = decodeText(await readFile(path))
  } catch (error) {
    const reason =
      (error as NodeJS.ErrnoException).code === 'ENOENT' ? 'there is no such file' : (error as Error).message
    throw new InputError(`${path}: ${reason}`)
  }
  try {
    const { trace, problems, problemCount } = readTraceCsv(text)
    if (problemCount === 0) return trace
    const more = problemCount > 1 ? ` (and ${problemCount - 1} more)` : ''
    throw new InputError(`${path}: ${problemInWords(problems[0])}${more}`)
  } catch (error) {
    if (!(error instanceof UnreadableFile)) throw error
    const [first] = error.problems
    throw new InputError(`${path}: ${error.message}${first ? ` ${problemInWords(first)}` : ''}`)
  }
}

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
