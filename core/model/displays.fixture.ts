import { openCircuitVolts } from './cell'

const STEPS = 1000
const charged = new Float64Array(STEPS + 1)
for (let i = 1; i <= STEPS; i++) charged[i] = charged[i - 1] + 1 / openCircuitVolts((i - 0.5) / STEPS)

/** The level under a display, 0–1, by what it counts of the share of energy that is stored: energy itself, or charge, at volts that rise as the cell fills. */
export const DISPLAYS = {
  energy: (share: number) => share,
  charge: (share: number) => charged[Math.round(share * STEPS)] / charged[STEPS],
}
