/**
 * One lithium-ion cell that stands for the pack: open-circuit voltage against the share of energy stored.
 * A plausible shape for a 4.35 V cell, full when no current flows at that voltage, invented for simulation.
 */
const SHARE = [0, 0.03, 0.08, 0.2, 0.4, 0.6, 0.75, 0.85, 0.92, 1]
const VOLTS = [3.2, 3.48, 3.6, 3.7, 3.79, 3.91, 4.04, 4.14, 4.22, 4.35]

/** Highest voltage the charger lets the cell reach, V. */
export const CELL_MAX_VOLTS = 4.35
/** Mean open-circuit voltage, V: turns watt-hours into ampere-hours. */
export const CELL_MEAN_VOLTS = 3.87
/** Series resistance of a cell of one ampere-hour, Ω; a larger cell has proportionally less. */
export const CELL_OHM_AH = 0.2

/** Open-circuit voltage, V, at a share of stored energy (0–1, held at the ends). */
export function openCircuitVolts(share: number): number {
  if (share <= 0) return VOLTS[0]
  const right = SHARE.findIndex((s) => s >= share)
  if (right < 0) return VOLTS[VOLTS.length - 1]
  if (right === 0) return VOLTS[0]
  const left = right - 1
  return VOLTS[left] + ((VOLTS[right] - VOLTS[left]) * (share - SHARE[left])) / (SHARE[right] - SHARE[left])
}
