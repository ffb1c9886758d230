import type { Analysis } from '../../analysis/analyse'
import { energyWorkings, heldPeakWorkings, type Workings } from './workings'

/** What stands behind every figure that a device told of itself. */
const OWN_WATTS = 'The watts are the device’s own and no meter’s: how exact they are is not known.'

const asOwn = (title: string, workings: Workings): Workings => ({ ...workings, title, assumed: [OWN_WATTS] })

/** How the held peak and the energy at the battery were worked out; none where its watts were not read. */
export function batteryWorkings({ atBattery }: Pick<Analysis, 'atBattery'>): {
  heldPeak: Workings
  energy: Workings
} | null {
  if (!atBattery) return null
  const { power, energy } = atBattery
  return {
    heldPeak: asOwn('Held peak at the battery', heldPeakWorkings({ power, heldPeakUncertaintyW: NaN })),
    energy: asOwn('Energy at the battery', energyWorkings({ energy, energyUncertaintyWh: NaN })),
  }
}

/** What is said beside watts that are the battery's own; '' where they are the source's. */
export const sideWords = ({ curveAt }: Pick<Analysis, 'curveAt'>): string =>
  curveAt === 'battery' ? ' into the battery' : ''
