import { duration } from '../../words/figures'
import { samplesOf } from '../../trace/samples'
import { batteryPowerColumn, type Trace } from '../../trace/trace'
import { isReversed } from './reversed'
import { said, type Finding, type Rule } from './finding'

/** A fall of so many points, over so long, is no wavering of the display, s. */
const POINTS = 2
const SHORTEST_S = 300
/** A battery that gives for so long is draining, s. */
const BATTERY_S = 60

/** Connected, and the battery falls all the same. */
export const draining: Rule = ({ trace }) => drainingIn(trace)

/** The same of a trace alone, for a run that still goes on. */
export function drainingIn(trace: Trace): Finding[] {
  const byBattery = fromBattery(trace)
  return byBattery.length ? byBattery : fromLevel(trace)
}

const found = (atS: number, message: string): Finding => ({
  code: 'draining',
  severity: 'warning',
  atS,
  message,
  advice:
    'The source gives less than the device uses: a stronger one, or less load. “Connected” is not charging.',
})

function fromLevel(trace: Trace): Finding[] {
  const { t, v } = samplesOf(trace.time, trace.percent)
  let top = 0
  for (let i = 1; i < t.length; i++) {
    // The last moment of the highest level: the fall begins there.
    if (v[i] >= v[top]) top = i
    else if (v[top] - v[i] >= POINTS && t[i] - t[top] >= SHORTEST_S)
      return [
        found(
          t[top],
          `The level fell from ${v[top]} to ${v[i]} % within ${duration(t[i] - t[top])} of charging.`,
        ),
      ]
  }
  return []
}

function fromBattery(trace: Trace): Finding[] {
  // A log that counts the other way round says so itself.
  const watts = batteryPowerColumn(trace)
  if (isReversed(trace, watts)) return []
  const { t, v } = samplesOf(trace.time, watts)
  let since = NaN
  for (let i = 0; i < t.length; i++) {
    if (v[i] >= 0) since = NaN
    else if (Number.isNaN(since)) since = t[i]
    else if (t[i] - since >= BATTERY_S)
      return [found(since, `The battery gave power while the source was connected (${said(v[i], 1)} W).`)]
  }
  return []
}
