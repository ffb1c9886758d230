/** How figures are written for a reader: with their unit, and a dash where they cannot be known. */

/** What stands where a figure is not known. */
export const UNKNOWN = '–'

/** A number with `digits` decimals and its unit, parted by a no-break space. */
export function figure(value: number | null | undefined, digits: number, unit = ''): string {
  if (value === null || value === undefined || !Number.isFinite(value)) return UNKNOWN
  const text = value.toFixed(digits)
  const shown = Number(text) === 0 ? text.replace('-', '') : text
  return unit ? `${shown}\u00A0${unit}` : shown
}

/** A reading as a person wrote it: at most `digits` decimals and no zeros that nobody read. `18.5 W`, `13 %`. */
export const asRead = (value: number | null | undefined, digits: number, unit = ''): string => {
  const decimals =
    Number((value ?? 0).toFixed(digits))
      .toString()
      .split('.')[1]?.length ?? 0
  return figure(value, decimals, unit)
}

/**
 * A figure with what is known of it, twice its standard uncertainty: `20.07 Wh ± 0.21`. A digit more where that would
 * round to nothing; without, where it is not known or still nothing: nobody knows a figure to ± 0.
 */
export const withSpread = (value: number, uncertainty: number, digits: number, unit = ''): string => {
  const room = [digits, digits + 1].find((d) => Number((2 * uncertainty).toFixed(d)) > 0)
  return Number.isFinite(value) && Number.isFinite(uncertainty) && room !== undefined
    ? `${figure(value, room, unit)} ± ${(2 * uncertainty).toFixed(room)}`
    : figure(value, digits, unit)
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
  return clock(Math.floor(thousandths / 1000)) + (rest && `.${rest}`)
}

/** Seconds left, as `4:59` or `1:04:59`. */
export const countdown = (seconds: number): string => clock(seconds).replace(/^0:0?/, '')
