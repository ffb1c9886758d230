import { duration } from '../words/figures'
import { dayInWeek, timeOfDay } from '../words/moments'
import type { Bottleneck } from './bound'
import type { Arrangement } from './arrangement'
import type { Saving } from './savings'
import type { Obstacle, Placed } from './timetable'

/** Names for ids, as the reader knows them. */
export interface Names {
  device(id: string): string
  source(id: string): string
}

const time = (seconds: number): string => timeOfDay(seconds * 1000)
const dayAndTime = (seconds: number): string => `${dayInWeek(seconds * 1000)}, ${time(seconds)}`
const inWords = ({ job }: Placed, names: Names): string =>
  `${names.device(job.device)} from ${names.source(job.source)}`

/** Why a run cannot stand where it was put. */
export function obstacleInWords(obstacle: Obstacle | { rule: 'no-window' }, names: Names): string {
  switch (obstacle.rule) {
    case 'outside-hours':
      return 'That moment lies outside the free hours.'
    case 'does-not-fit':
      return `It needs ${duration(obstacle.needsS)}; only ${duration(obstacle.leftS)} are left in these hours.`
    case 'source-busy':
      return `The ${names.source(obstacle.by.job.source)} is taken until ${time(obstacle.by.endS)}, by ${inWords(obstacle.by, names)}.`
    case 'unit-busy':
      return `The ${names.device(obstacle.by.job.device)} is charging until ${time(obstacle.by.endS)}.`
    case 'unit-not-ready':
      return obstacle.by
        ? `The ${names.device(obstacle.by.job.device)} must be drained and rested first: it is ready at ${dayAndTime(obstacle.readyS)}.`
        : `The device cannot be drained and rested before ${dayAndTime(obstacle.readyS)}.`
    case 'next-not-ready':
      return `The ${names.device(obstacle.by.job.device)} would not be drained and rested in time for its next run at ${dayAndTime(obstacle.by.startS)}.`
    case 'lanes-busy':
      return obstacle.atOnce === 1
        ? 'Another run is on the bench then, and the plan allows one at a time.'
        : `All ${obstacle.atOnce} lanes with a meter are taken then.`
    case 'same-day':
      return 'A repeat of this pair stands on that day already; repeats are spread over days.'
    case 'no-window':
      return 'There is no room for it in these hours.'
  }
}

const evenings = (n: number): string => `${n} ${n === 1 ? 'stretch' : 'stretches'} of free hours`

/** What keeps the campaign from being shorter. */
export function limitInWords(limit: Bottleneck | null, names: Names): string {
  if (!limit) return ''
  const least = evenings(limit.windows)
  switch (limit.kind) {
    case 'unit':
      return `The ${names.device(limit.id)} limits it: draining, resting and charging alone take ${least}.`
    case 'source':
      return `The ${names.source(limit.id)} limits it: its runs alone take ${least}.`
    case 'strip':
      return `The lanes and meters limit it: with all of them busy the runs take ${least}.`
    case 'repeats':
      return `The repeats limit it: spread over days they take ${least}.`
  }
}

/** What one more of something would save, in words. */
export function savingInWords(saving: Saving, names: Names): string {
  const what = {
    meter: 'One more meter',
    lane: 'One more lane',
    'meter-and-lane': 'One more meter on one more lane',
    unit: `One more ${saving.deviceId ? names.device(saving.deviceId) : 'unit'}`,
    'side-by-side': 'Letting runs stand side by side',
  }[saving.what]
  return saving.windowsSaved > 0
    ? `${what} would save ${evenings(saving.windowsSaved)}.`
    : `${what} would save nothing.`
}

/** The length against the least possible. */
export function lengthInWords(a: Arrangement): string {
  if (a.windowsUsed === 0) return 'Nothing is laid out yet.'
  const over = a.leastS > 0 ? Math.max(0, Math.round((a.freeS / a.leastS - 1) * 100)) : 0
  const least =
    a.windowsUsed === a.leastWindows
      ? 'and no fewer would do'
      : `at least ${a.leastWindows} ${a.leastWindows === 1 ? 'is' : 'are'} needed`
  return `${evenings(a.windowsUsed)}, ${least}; ${duration(a.freeS)} of free time until the end, ${over} % over the least possible.`
}
