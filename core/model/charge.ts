import type { Agreement } from '../gear/agree'
import { CELL_MAX_VOLTS, CELL_MEAN_VOLTS, CELL_OHM_AH, openCircuitVolts } from './cell'

/** Everything the charge model needs to know. W, Wh, °C, shares 0–1. */
export interface ChargeSetup {
  usableWh: number
  startPercent: number
  /** What the device and the last link of its chain agree on. */
  agreement: Agreement
  /** Most the pack takes at each stretch of its level: `watts` until `untilShare`. */
  staircase: { untilShare: number; watts: number }[]
  ambientC: number
  /** Degrees above which the device takes less, and where it has cut down to `throttleFloor`. */
  throttleFromC: number
  throttleToC: number
  throttleFloor: number
  /** Thermal mass, J/K, and loss to the room, W/K. */
  heatCapacity: number
  heatLoss: number
  /** Device-side conversion, and the wireless link before it (1 for a wire): the meter stands before both. */
  converterEfficiency: number
  linkEfficiency: number
  /** Series resistance of the pack times its capacity, Ω·Ah; the usual one where left out. */
  ohmAh?: number
  /** What the device itself uses, charging or not, W. */
  systemWatts: number
  /** Seconds at 5 V before the agreed level comes. */
  negotiationS: number
  /** A badly laid device: the pad stops at this share of level, for good. */
  stallAtShare?: number
  /** A simple charger that switches on and off in turn at the very end. */
  onOffAtEnd?: boolean
}

/** The state of a charge, in SI units with energy in Wh. */
export interface ChargeState {
  t: number
  /** Stored energy as a share of usable capacity. */
  share: number
  temperatureC: number
  /** At the meter. */
  volts: number
  amps: number
  watts: number
  batteryWatts: number
  /** Sums since power-on, Wh: delivered = stored + losses. */
  deliveredWh: number
  storedWh: number
  lossesWh: number
  done: boolean
}

/** Current at constant voltage below which the charger ends the charge, as a share of capacity per hour. */
const END_C_RATE = 0.03
/** Once ended, the charge begins again when the level has fallen to this share. */
const RECHARGE_BELOW = 0.96
/** What a simple charger that switches on and off at the end draws while it is on, W. */
const TAIL_W = 1.2
const CABLE_OHM = 0.06
/** Late in the charge an agreed level steps back to 5 V once this little is drawn, W. */
const STEP_BACK_BELOW_W = 7.5
const PAD_VOLTS = 9

/** The state from which a simulated charge begins. */
export const startOf = (setup: ChargeSetup): ChargeState => ({
  t: 0,
  share: setup.startPercent / 100,
  temperatureC: setup.ambientC,
  volts: 0,
  amps: 0,
  watts: 0,
  batteryWatts: 0,
  deliveredWh: 0,
  storedWh: 0,
  lossesWh: 0,
  done: false,
})

/**
 * One step of the charge, `dt` seconds long (at most 1 s keeps the heat and the taper smooth). Constant
 * current or power up to the limits, then constant voltage, with a staircase of limits, throttling by heat,
 * and one thermal mass. Never more is drawn than the source gives; what the device uses beyond that comes out of
 * its battery. Energy is conserved: what the meter sees is stored or lost.
 */
export function step(setup: ChargeSetup, before: ChargeState, dt: number): ChargeState {
  const cell = cellOf(setup)
  const ocv = openCircuitVolts(before.share)
  const stalled = setup.stallAtShare !== undefined && before.share >= setup.stallAtShare
  const tail = before.done && setup.onOffAtEnd && Math.floor(before.t / 90) % 2 === 0 ? TAIL_W : 0
  // What can reach the inside of the device. A pad that has stalled passes no more than what the device uses.
  const reaches = supplyWatts(setup, before) * setup.converterEfficiency
  const uses = before.share > 0 ? setup.systemWatts + tail : Math.min(setup.systemWatts, reaches)
  const atCeiling = CELL_MAX_VOLTS * Math.max(0, (CELL_MAX_VOLTS - ocv) / cell.ohm)
  const asked = stalled || before.done ? 0 : Math.min(allowedWatts(setup, before), atCeiling)
  const into = Math.min(asked, reaches - uses)
  const amps = currentFor(into, ocv, cell.ohm)
  const storedWatts = ocv * amps
  const drawn = into + uses
  const deviceWatts = drawn / setup.converterEfficiency
  const meterWatts = deviceWatts / setup.linkEfficiency
  const { volts, amps: meterAmps } = atMeter(setup, before, meterWatts)

  const hours = dt / 3600
  // Summed from where each is lost, not as a remainder, so that the energy balance is a real check.
  const lossWatts = amps * amps * cell.ohm + uses + (deviceWatts - drawn) + (meterWatts - deviceWatts)
  const warming = setup.linkEfficiency < 1 ? lossWatts * 0.6 : lossWatts
  const share = Math.min(1, Math.max(0, before.share + (storedWatts * hours) / setup.usableWh))
  return {
    t: before.t + dt,
    share,
    temperatureC:
      before.temperatureC +
      ((warming - setup.heatLoss * (before.temperatureC - setup.ambientC)) * dt) / setup.heatCapacity,
    volts,
    amps: meterAmps,
    watts: meterWatts,
    batteryWatts: into,
    deliveredWh: before.deliveredWh + meterWatts * hours,
    storedWh: before.storedWh + storedWatts * hours,
    lossesWh: before.lossesWh + lossWatts * hours,
    done: before.done
      ? share > RECHARGE_BELOW
      : share >= 1 || (into >= atCeiling && amps < END_C_RATE * cell.ah),
  }
}

const cellOf = ({ usableWh, ohmAh = CELL_OHM_AH }: ChargeSetup) => {
  const ah = usableWh / CELL_MEAN_VOLTS
  return { ah, ohm: ohmAh / ah }
}

/** Watts that the device lets into its battery: its staircase, less what heat takes away. */
function allowedWatts(setup: ChargeSetup, { share, temperatureC }: ChargeState): number {
  const stair = setup.staircase.find((limit) => share < limit.untilShare) ?? setup.staircase.at(-1)!
  return stair.watts * throttle(setup, temperatureC)
}

/** Watts that can reach the device: what was agreed on, once it was. */
function supplyWatts({ agreement, negotiationS }: ChargeSetup, s: ChargeState): number {
  if (agreement.outcome === 'none' || agreement.outcome === 'connected') return 0
  if (s.t < negotiationS && agreement.volts > 5) return Math.min(agreement.watts, 7.5)
  return agreement.watts
}

/** Share of the allowed power left at a temperature: 1 below the throttle, falling to the floor. */
function throttle({ throttleFromC, throttleToC, throttleFloor }: ChargeSetup, c: number): number {
  const over = (c - throttleFromC) / (throttleToC - throttleFromC)
  return 1 - Math.min(1, Math.max(0, over)) * (1 - throttleFloor)
}

/** Current that puts `watts` into the terminals, or takes them out where negative: watts = (OCV + I·R)·I. */
const currentFor = (watts: number, ocv: number, ohm: number): number =>
  (-ocv + Math.sqrt(ocv * ocv + 4 * ohm * watts)) / (2 * ohm)

/** Volts and amperes at the meter for the watts drawn, with the drop of the source's lead. */
function atMeter({ agreement, negotiationS }: ChargeSetup, s: ChargeState, watts: number) {
  const level = levelOf(agreement, s, negotiationS, watts)
  const sag = Math.sqrt(Math.max(0, level * level - 4 * CABLE_OHM * watts))
  const volts = (level + sag) / 2
  return { volts, amps: volts > 0 ? watts / volts : 0 }
}

function levelOf(agreement: Agreement, s: ChargeState, negotiationS: number, watts: number): number {
  if (agreement.protocol === 'wireless') return PAD_VOLTS
  if (Number.isNaN(agreement.volts)) return 5
  const early = s.t < negotiationS
  const late = s.share > 0.8 && watts < STEP_BACK_BELOW_W
  if (early || (late && agreement.protocol !== 'pd-adjustable')) return Math.min(5, agreement.volts)
  // An adjustable source follows the cell: twice its voltage and a little for the charge pump.
  if (agreement.protocol === 'pd-adjustable')
    return Math.min(agreement.volts, Math.round((2 * openCircuitVolts(s.share) + 0.5) / 0.02) * 0.02)
  return agreement.volts
}

/** Whole points, as the display shows them: it says full a little before the last trickle ends. */
export function shownPercent(share: number): number {
  return share >= 0.993 ? 100 : Math.min(99, Math.floor(share * 100 + 1e-9))
}
