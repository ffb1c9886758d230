import { unitsJoined } from '../trace/typedNumber'

/**
 * The fields that a line is laid out over: those that are typed, and at the end what arrives at the battery. That only
 * where both the display and the meter are read by hand: elsewhere nobody would keep it.
 */
export const lineOrder = <F extends string>(fields: readonly F[]): (F | 'batteryPower')[] => {
  const byHand = fields.includes('percent' as F) && fields.length > 1
  return byHand && !fields.includes('batteryPower' as F) ? [...fields, 'batteryPower'] : [...fields]
}

/** Numbers in one line are parted by space or semicolon: a comma may be a decimal one. */
const PARTS = /[\s;/@]+/

/**
 * What was typed in one line, laid out over the fields in their order: "38 18.9" is a level and watts, and so are
 * "38, 18,9" and "38 % 18.9 W". One number alone is left to its field. Undefined where there are more numbers than fields.
 * @example oneLine('38 18,9', ['percent', 'power']) // { percent: '38', power: '18,9' }
 */
export function oneLine<F extends string>(
  text: string,
  fields: readonly F[],
): Partial<Record<F, string>> | undefined {
  const parts = unitsJoined(text.trim())
    .split(PARTS)
    .map((part) => part.replace(/,$/, ''))
    .filter(Boolean)
  if (parts.length > fields.length) return undefined
  return Object.fromEntries(parts.map((part, i) => [fields[i], part])) as Partial<Record<F, string>>
}
