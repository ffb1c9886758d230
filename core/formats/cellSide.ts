import { median } from 'd3-array'
import type { Channel } from '../trace/channels'
import type { ColumnMeaning } from './columns'
import { valueOf } from './valueCell'

/** A lithium cell's volts, empty to full, with what a charge adds. A source's lie above, at 5 V less what a cable drops. */
const CELL_V = [2.5, 4.55] as const
const AT_BATTERY: Partial<Record<Channel, Channel>> = {
  voltage: 'batteryVoltage',
  current: 'batteryCurrent',
  power: 'batteryPower',
}

/**
 * The meanings with volts, amperes and watts at the battery, where the volts are those of a cell beside a level: a
 * device's own log calls them what a meter does. Columns that name a side are left as they are.
 *
 * @param namesSide whether a column's heading says at which side it was read
 * @param isOwn whether it is named as a system names what it reads off its own battery
 * @param sampleOf cells of a column
 */
export function atCellSide(
  meanings: readonly ColumnMeaning[],
  namesSide: (column: number) => boolean,
  isOwn: (column: number) => boolean,
  sampleOf: (column: number) => readonly string[],
): readonly ColumnMeaning[] {
  const at = (channel: Channel) => meanings.findIndex((m) => m.kind === 'channel' && m.channel === channel)
  const own = meanings.map((m, i) => (isOwn(i) ? ofBattery(m) : m))
  const volts = at('voltage')
  const meaning = meanings[volts]
  if (at('percent') < 0) return meanings
  if (meaning?.kind !== 'channel' || namesSide(volts) || isOwn(volts)) return own
  if (Object.values(AT_BATTERY).some((channel) => at(channel) >= 0)) return own
  const numbers = sampleOf(volts)
    .map((cell) => valueOf(cell, meaning, ''))
    .filter((v) => !Number.isNaN(v))
  const middle = median(numbers) ?? NaN
  if (!(middle >= CELL_V[0] && middle <= CELL_V[1])) return own
  return meanings.map((m, i) => (namesSide(i) ? m : ofBattery(m)))
}

function ofBattery(m: ColumnMeaning): ColumnMeaning {
  const channel = m.kind === 'channel' ? AT_BATTERY[m.channel] : undefined
  return m.kind === 'channel' && channel ? { ...m, channel } : m
}
