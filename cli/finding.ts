import { noLevelWords } from '@core/analysis/findings/notReached'
import type { ReadTrace } from './input'

/** What is to be minded of a file: why a value is null, or what the file was read as. */
export interface Finding {
  code: string
  severity: 'notice'
  file: string
  message: string
}

export const notice = (code: string, file: string, message: string): Finding => ({
  code,
  severity: 'notice',
  file,
  message,
})

/** What had to be assumed about files. */
export const readAs = (files: readonly string[], read: readonly ReadTrace[]): Finding[] =>
  read.flatMap(({ assumed }, i) => assumed.map((message) => notice('read-as', files[i], message)))

/** Moments of a file whose level is not known; seconds. */
export const noLevels = (file: string, marks: Parameters<typeof noLevelWords>[0]): Finding[] =>
  noLevelWords(marks).map((words) => notice('no-level', file, words))
