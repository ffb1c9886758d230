/** When to read. Times in seconds since power-on. */
export type ReadingRule =
  | { kind: 'every'; seconds: number }
  /** `seconds` apart at first, `thenSeconds` once any lane on the strip shows `abovePercent` or more. */
  | { kind: 'closing-in'; seconds: number; thenSeconds: number; abovePercent: number }
  | { kind: 'at'; minutes: number[] }
  /** A meter reads by itself. */
  | { kind: 'meter'; seconds: number }

/** When a run is over. */
export type StopRule =
  | { kind: 'shown-full' }
  | { kind: 'taper-end' }
  | { kind: 'level'; percent: number }
  | { kind: 'duration'; seconds: number }
  | { kind: 'open' }

const minutes = (seconds: number): string => String(Math.round(seconds / 6) / 10)

/** The reading rule in words, to stand after "read". */
export function readingInWords(rule: ReadingRule): string {
  switch (rule.kind) {
    case 'every':
      return rule.seconds < 60 ? `every ${rule.seconds} s` : `every ${minutes(rule.seconds)} min`
    case 'closing-in':
      return `every ${minutes(rule.seconds)} min, then every ${minutes(rule.thenSeconds)} min once any lane shows ${rule.abovePercent} %`
    case 'at':
      return `at ${rule.minutes.join(', ')} min`
    case 'meter':
      return rule.seconds === 1 ? 'once a second, by a meter' : `every ${rule.seconds} s, by a meter`
  }
}
