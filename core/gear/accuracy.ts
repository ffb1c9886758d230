import type { Meter } from './gear'

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

/** ± of the watts worked out from volts and amperes, in W: relative limits add at worst. */
export function wattsLimit(meter: Meter, volts: number, amps: number): number {
  const dv = statedLimit(meter, volts, meter.resolution)
  const da = statedLimit(meter, amps, meter.resolutionAmps)
  return Math.abs(amps) * dv + Math.abs(volts) * da
}
