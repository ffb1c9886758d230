import type { Meter } from './gear'

/** What a meter or a thermometer states of itself. */
export type Accuracy = Pick<Meter, 'accuracyPercent' | 'accuracyDigits' | 'resolution' | 'resolutionAmps'>

/** That part of a meter; undefined without one. */
export const accuracyOf = (meter: Meter | undefined): Accuracy | undefined =>
  meter && {
    accuracyPercent: meter.accuracyPercent,
    accuracyDigits: meter.accuracyDigits,
    resolution: meter.resolution,
    resolutionAmps: meter.resolutionAmps,
  }

/**
 * What a meter's stated accuracy leaves open about a reading, in the reading's own unit: ± the share of the
 * reading plus the last digits. NaN when the meter states neither.
 */
export function statedLimit(
  meter: Pick<Meter, 'accuracyPercent' | 'accuracyDigits'>,
  reading: number,
  resolution: number | null,
): number {
  const { accuracyPercent, accuracyDigits } = meter
  if (accuracyPercent === null && (accuracyDigits === null || resolution === null)) return NaN
  return ((accuracyPercent ?? 0) / 100) * Math.abs(reading) + (accuracyDigits ?? 0) * (resolution ?? 0)
}

/** Standard uncertainty of a reading within its stated limit: rectangular, a/√3 (GUM JCGM 100:2008 §4.3.7). */
export const standardUncertainty = (limit: number): number => limit / Math.sqrt(3)

/**
 * Standard uncertainty of watts made of volts and amperes, W: each within its stated accuracy, combined in quadrature
 * as for any product of two independent quantities (GUM JCGM 100:2008 §5.1.2). Where only the watts are known, both
 * are taken to be off by the stated share. NaN when the meter states nothing that can be used.
 *
 * @example wattsUncertainty({ accuracyPercent: 1, accuracyDigits: 0, resolution: 0.01, resolutionAmps: 0.001 }, 18, 9, 2) // 0.147
 */
export function wattsUncertainty(meter: Accuracy, watts: number, volts = NaN, amps = NaN): number {
  if (Number.isNaN(volts) || Number.isNaN(amps)) return Math.SQRT2 * shareUncertainty(meter) * Math.abs(watts)
  const ofVolts = standardUncertainty(statedLimit(meter, volts, meter.resolution))
  const ofAmps = standardUncertainty(statedLimit(meter, amps, meter.resolutionAmps))
  return Math.hypot(amps * ofVolts, volts * ofAmps)
}

/** Standard uncertainty of volts or of amperes as a share of the reading, digits left aside; NaN when not stated. */
const shareUncertainty = ({ accuracyPercent }: Accuracy): number =>
  accuracyPercent === null ? NaN : standardUncertainty(accuracyPercent / 100)

/** Standard uncertainty of a thermometer's reading, °C (kelvin of difference); NaN when it states none. */
export const celsiusUncertainty = (thermometer: Accuracy, celsius: number): number =>
  standardUncertainty(statedLimit(thermometer, celsius, thermometer.resolution))
