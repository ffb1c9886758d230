import type { Table } from './table'
import type { ColumnMeaning } from './columns'

/** A number with a unit behind it. */
const WITH_UNIT = /^[+\-−]?[\d.,]*\d\s*(%|m?[VAW]|m?Wh|m?Ah|°[CF])$/
const MEANINGS: Record<string, ColumnMeaning> = {
  '%': { kind: 'channel', channel: 'percent', divisor: 1 },
  V: { kind: 'channel', channel: 'voltage', divisor: 1 },
  A: { kind: 'channel', channel: 'current', divisor: 1 },
  W: { kind: 'channel', channel: 'power', divisor: 1 },
  Wh: { kind: 'channel', channel: 'counterWh', divisor: 1 },
  Ah: { kind: 'channel', channel: 'counterAh', divisor: 1 },
  '°C': { kind: 'temperature', place: '', fahrenheit: false },
  '°F': { kind: 'temperature', place: '', fahrenheit: true },
}
/** So many of a column's cells must carry its unit. */
const MOST = 0.9

/** The unit that nearly all of a column's cells carry, thousandths counted with it; '' where there is none. */
function unitOfCells(rows: Table['rows'], column: number): string {
  const counts = new Map<string, number>()
  let filled = 0
  for (const { cells } of rows) {
    const cell = (cells[column] ?? '').trim()
    if (cell === '') continue
    filled++
    const unit = WITH_UNIT.exec(cell)?.[1].replace(/^m/, '')
    if (unit) counts.set(unit, (counts.get(unit) ?? 0) + 1)
    // A million rows of numbers are not gone through to the end.
    else if (filled > 100 && counts.size === 0) return ''
  }
  return [...counts].find(([, n]) => n >= MOST * filled)?.[0] ?? ''
}

/**
 * The meanings of columns whose heading says nothing, by the units in their cells. Where two columns carry one unit, or
 * a heading names that quantity already, none of them is it.
 */
export function withCellUnits(meanings: readonly ColumnMeaning[], rows: Table['rows']): ColumnMeaning[] {
  const units = meanings.map((m, i) => (m.kind === 'ignore' ? unitOfCells(rows, i) : ''))
  const isTaken = (of: ColumnMeaning) =>
    meanings.some((m) => m.kind === of.kind && (m.kind !== 'channel' || of.kind !== 'channel' || m.channel === of.channel)) // prettier-ignore
  return meanings.map((m, i) => {
    const unit = units[i]
    const isOnly = unit !== '' && units.filter((u) => u === unit).length === 1
    return isOnly && !isTaken(MEANINGS[unit]) ? MEANINGS[unit] : m
  })
}
