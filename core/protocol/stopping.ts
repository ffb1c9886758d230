import type { StopRule } from './rules'

/** The rule in words. */
export function stopInWords(rule: StopRule): string {
  switch (rule.kind) {
    case 'open':
      return 'when I say so'
    case 'duration':
      return `after ${rule.seconds / 60} min`
    case 'level':
      return `at ${rule.percent} %`
    case 'shown-full':
      return 'when the display shows 100 %'
    case 'taper-end':
      return 'when the current has all but stopped'
  }
}

/** The kinds of stop rule, to choose from. */
export const STOP_CHOICES: readonly { value: StopRule['kind']; title: string }[] = [
  { value: 'shown-full', title: stopInWords({ kind: 'shown-full' }) },
  { value: 'taper-end', title: stopInWords({ kind: 'taper-end' }) },
  { value: 'level', title: 'at a level' },
  { value: 'duration', title: 'after a time' },
  { value: 'open', title: stopInWords({ kind: 'open' }) },
]
