/** How figures are written for a reader: with their unit, and a dash where they cannot be known. */

/** What stands where a figure is not known. */
export const UNKNOWN = '–'

/** How a reader prefers figures to be written. */
export interface Writing {
  /** A comma before the decimals. */
  comma: boolean
  /** Temperatures in °F. They are kept, and worked with, in °C. */
  fahrenheit: boolean
}
const PLAIN: Writing = { comma: false, fahrenheit: false }
let writing = PLAIN
/** Sets how figures are written from now on: a preference of the reader, the same for all screens. */
export const writeFigures = (as: Writing): void => void (writing = { ...as })
/** How they are written now, for a worker that writes some as well. */
export const howWritten = (): Writing => writing
/** Figures that are compared with others later are written without anybody's preferences. */
export function plainly<T>(make: () => T): T {
  const before = writing
  writing = PLAIN
  try {
    return make()
  } finally {
    writing = before
  }
}

const CELSIUS = '°C'
const FAHRENHEIT = '°F'
const PER_DEGREE = 9 / 5
const FREEZING_F = 32
const isConverted = (unit: string): boolean => unit === CELSIUS && writing.fahrenheit

/** A unit as it is written: °F for °C where the reader prefers it. */
export const writtenUnit = (unit: string): string => (isConverted(unit) ? FAHRENHEIT : unit)
/** A heading that names its unit, as it is written: `back, °C`. */
export const writtenTitle = (title: string): string => title.replace(CELSIUS, writtenUnit(CELSIUS))
/** A value in the unit as it is written. */
export const writtenValue = (value: number, unit: string): number =>
  isConverted(unit) ? value * PER_DEGREE + FREEZING_F : value
/** A value as it was typed in the unit as it is written, back in the unit in which it is kept. */
export const keptValue = (value: number, unit: string): number =>
  isConverted(unit) ? (value - FREEZING_F) / PER_DEGREE : value
/** A difference or a spread in the unit as it is written: nothing is nothing in any. */
const writtenDifference = (value: number, unit: string): number =>
  isConverted(unit) ? value * PER_DEGREE : value

const numberText = (value: number, digits: number): string => {
  const text = value.toFixed(digits)
  const shown = text.replace('-', Number(text) === 0 ? '' : '−')
  return writing.comma ? shown.replace('.', ',') : shown
}
const withUnit = (text: string, unit: string): string => (unit ? `${text}\u00A0${writtenUnit(unit)}` : text)

/** A number with `digits` decimals and its unit, parted by a no-break space. */
export const figure = (value: number | null | undefined, digits: number, unit = ''): string =>
  value === null || value === undefined || !Number.isFinite(value)
    ? UNKNOWN
    : withUnit(numberText(writtenValue(value, unit), digits), unit)

/** How far two values lie apart: of temperatures another figure than a temperature. */
export const difference = (value: number | null | undefined, digits: number, unit = ''): string =>
  value === null || value === undefined || !Number.isFinite(value)
    ? UNKNOWN
    : withUnit(numberText(writtenDifference(value, unit), digits), unit)

/** A reading as a person wrote it: at most `digits` decimals and no zeros that nobody read. `18.5 W`, `13 %`. */
export const asRead = (value: number | null | undefined, digits: number, unit = ''): string => {
  const decimals =
    Number(writtenValue(value ?? 0, unit).toFixed(digits))
      .toString()
      .split('.')[1]?.length ?? 0
  return figure(value, decimals, unit)
}

/**
 * A figure with what is known of it, twice its standard uncertainty: `20.07 Wh ± 0.21`. A digit more where that would
 * round to nothing; without, where it is not known or still nothing: nobody knows a figure to ± 0.
 */
export const withSpread = (value: number, uncertainty: number, digits: number, unit = ''): string => {
  const spread = writtenDifference(2 * uncertainty, unit)
  const room = [digits, digits + 1].find((d) => Number(spread.toFixed(d)) > 0)
  return Number.isFinite(value) && Number.isFinite(uncertainty) && room !== undefined
    ? `${figure(value, room, unit)} ± ${numberText(spread, room)}`
    : figure(value, digits, unit)
}

const NUMBER = String.raw`[-−]?\d+(?:\.\d+)?`
const SPAN = new RegExp(`(${NUMBER})( (?:to|and) )(${NUMBER})([ \u00A0])${CELSIUS}`, 'g')
const DEGREES = new RegExp(`(${NUMBER})([ \u00A0])${CELSIUS}`, 'g')
/**
 * A sentence that was made where nobody's preferences are known, as the reader prefers its figures. Temperatures in it
 * are temperatures: a difference of them cannot be told from one, and none stands in such a sentence.
 */
export function asWritten(sentence: string): string {
  const degrees = (text: string) => {
    const decimals = text.split('.')[1]?.length ?? 0
    return numberText(writtenValue(Number(text.replace('−', '-')), CELSIUS), decimals)
  }
  const converted = writing.fahrenheit
    ? sentence
        .replace(
          SPAN,
          (_, low: string, word: string, high: string, gap: string) =>
            `${degrees(low)}${word}${degrees(high)}${gap}${FAHRENHEIT}`,
        )
        .replace(DEGREES, (_, value: string, gap: string) => `${degrees(value)}${gap}${FAHRENHEIT}`)
    : sentence
  return writing.comma ? converted.replace(/(\d)\.(?=\d)/g, '$1,') : converted
}

/** Percentage points: `1 point`, `12 points`. */
export const points = (value: number, digits = 0): string =>
  figure(value, digits, Math.abs(value) === 1 ? 'point' : 'points')

/** Seconds as `1 h 48 min`, `12 min`, or `45 s` below a minute; a minus sign in front when negative. */
export function duration(seconds: number): string {
  if (!Number.isFinite(seconds)) return UNKNOWN
  const sign = seconds <= -0.5 ? '−' : ''
  const whole = Math.abs(seconds)
  if (whole < 59.5) return `${sign}${Math.round(whole)}\u00A0s`
  const minutes = Math.round(whole / 60)
  if (minutes < 60) return `${sign}${minutes}\u00A0min`
  return `${sign}${Math.floor(minutes / 60)}\u00A0h\u00A0${minutes % 60}\u00A0min`
}

/** Seconds in full, `1 h 48 min 7 s`: for a time that is known to seconds. */
function fullDuration(seconds: number): string {
  const whole = Math.round(Math.abs(seconds))
  const rest = whole % 60
  return whole < 60
    ? duration(seconds)
    : `${duration(Math.sign(seconds) * (whole - rest))}\u00A0${rest}\u00A0s`
}

/** Of a time known better than this, s, seconds are written. */
const TO_SECONDS_BELOW_S = 30
/**
 * A time and how far it may be off, s, in one unit: seconds of both where it is known to less than half a minute, else
 * minutes of both. `spread` is '' where that is not known, or nothing.
 *
 * @example durationParts(6487, 6) // { value: '1 h 48 min 7 s', spread: '6 s' }
 * @example durationParts(6487, 59) // { value: '1 h 48 min', spread: '1 min' }
 */
export function durationParts(seconds: number, spreadS: number): { value: string; spread: string } {
  const isKnown = Number.isFinite(seconds) && Number.isFinite(spreadS) && Math.round(spreadS) > 0
  if (!isKnown) return { value: duration(seconds), spread: '' }
  if (spreadS < TO_SECONDS_BELOW_S) return { value: fullDuration(seconds), spread: duration(spreadS) }
  return { value: duration(seconds), spread: duration(Math.max(60, spreadS)) }
}

/** The same in one piece: `1 h 48 min ± 1 min`. */
export function durationWithSpread(seconds: number, spreadS: number): string {
  const { value, spread } = durationParts(seconds, spreadS)
  return spread ? `${value} ± ${spread}` : value
}

/** Seconds as a running clock, `0:05:07`. */
export function clock(seconds: number): string {
  const s = Math.max(0, Math.floor(seconds))
  const two = (n: number) => String(n).padStart(2, '0')
  return `${Math.floor(s / 3600)}:${two(Math.floor(s / 60) % 60)}:${two(s % 60)}`
}

/** The same to the thousandth, where a moment lies between two seconds: `0:05:07.25`. It reads back as it was. */
export function exactClock(seconds: number): string {
  const thousandths = Math.round(Math.max(0, seconds) * 1000)
  const rest = String(thousandths % 1000)
    .padStart(3, '0')
    .replace(/0+$/, '')
  return clock(Math.floor(thousandths / 1000)) + (rest && `${writing.comma ? ',' : '.'}${rest}`)
}

/** Seconds left, as `4:59` or `1:04:59`. */
export const countdown = (seconds: number): string => clock(seconds).replace(/^0:0?/, '')
