import { decimal } from '../trace/decimal'
import { CONDITIONS, conditionInWords } from './conditions'
import { START_WAYS, type Protocol } from './protocol'

/** One thing to see to before the switch goes on. */
export interface ChecklistItem {
  id: string
  text: string
  /** Unit of the value asked for; absent where a tick is enough. */
  asks?: string
  /** The span an asked value must lie in; outside it is kept, and named. */
  low?: number
  high?: number
  /** What stands in its field to begin with: what the protocol wants, to be typed over with what was measured. */
  offered?: number
}

/** How an item was answered. A skipped item is on record like any other. */
export interface ChecklistAnswer {
  id: string
  text: string
  answer: 'done' | 'skipped'
  value: number | null
  /** The value, where one was asked, lies outside what the protocol requires. */
  outside: boolean
  /** ISO 8601. */
  when: string
}

/** A rest is the same rest within so many minutes. */
const REST_WITHIN_MIN = 2

/** The checklist of a run, from its protocol: state of the device first, then the strip. */
export function checklistFor(protocol: Protocol, cableName: string | null): ChecklistItem[] {
  const start = START_WAYS[protocol.startWay]
  const items: ChecklistItem[] = [
    {
      id: 'start-level',
      text: `Start level ${protocol.startPercent} %, ${start}`,
      asks: '%',
      low: protocol.startPercent - 1,
      high: protocol.startPercent + 1,
    },
  ]
  if (protocol.startWay === 'as-found')
    items[0] = { id: 'start-level', text: 'Start level, as found', asks: '%', low: 0, high: 100 }
  const { restMinutes } = protocol
  if (restMinutes > 0)
    items.push({
      id: 'rest',
      text: `Rested for ${restMinutes} min`,
      asks: 'min',
      low: restMinutes - REST_WITHIN_MIN,
      high: restMinutes + REST_WITHIN_MIN,
      offered: restMinutes,
    })
  protocol.conditions.forEach((condition, i) => {
    const { asks } = CONDITIONS[condition.kind]
    const text =
      condition.kind === 'same-cable' && cableName
        ? `Cable: ${cableName}, the same for all`
        : conditionInWords(condition)
    items.push({
      id: condition.kind === 'own' ? `own-${i}` : condition.kind,
      text,
      ...(asks ? { asks, ...spanOf(condition.required) } : {}),
    })
  })
  items.push(
    {
      id: 'sound',
      text: 'No swelling, smell or damage on device, cable and source; a hard, non-flammable surface',
    },
    { id: 'dead-strip', text: 'Everything plugged in, the strip still off' },
  )
  return items
}

/** "21 ± 2 °C" as a span; nothing where the text is another. */
export function spanOf(required: string): { low?: number; high?: number } {
  const found = /([-−]?\d+(?:[.,]\d+)?)\s*(?:±|\+\/-)\s*(\d+(?:[.,]\d+)?)/.exec(required)
  if (!found) return {}
  const [middle, width] = found.slice(1).map((n) => decimal(n))
  return { low: middle - width, high: middle + width }
}

/** Answers an item at a moment. `value` is asked for where the item asks; null skips it. */
export function answerTo(
  item: ChecklistItem,
  given: 'done' | 'skipped',
  value: number | null,
  when: string,
): ChecklistAnswer {
  const outside =
    given === 'done' && value !== null && (value < (item.low ?? -Infinity) || value > (item.high ?? Infinity))
  return {
    id: item.id,
    text: item.text,
    answer: given,
    value: given === 'done' ? value : null,
    outside,
    when,
  }
}
