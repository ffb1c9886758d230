import { simulatedBench, type SimulatedBench } from '@core/model/instruments'
import { simulatedSetup } from '@core/model/setup'
import type { Reading } from '@core/trace/trace'
import type { Instrument, InstrumentKind, Sample } from './instrument'

const TICK_MS = 250
/** The simulated switch goes on this long after somebody begins to listen, so that the start can be seen, s. */
const SWITCH_AFTER_S = 2
/** The simulated battery's clock is off by this much, as another device's would be, s. */
const BATTERY_CLOCK_S = 7.5
const LONGEST_S = 24 * 3600

/** A meter, a battery and a thermometer on one simulated charge, each with a clock of its own. */
export function simulatedInstruments(speed: number, seed: number): Instrument[] {
  const one = (
    kind: InstrumentKind,
    clockS: number,
    pick: (r: Reading) => Omit<Sample, 't'>,
  ): Instrument => ({
    id: `simulated-${kind}`,
    name: `Simulated ${kind}`,
    kind,
    simulated: true,
    stream(deliver) {
      const bench: SimulatedBench = simulatedBench(simulatedSetup(), seed)
      const began = performance.now()
      let sent = -1
      const timer = setInterval(() => {
        const now = Math.min(LONGEST_S, Math.floor(((performance.now() - began) / 1000) * speed))
        for (let t = sent + 1; t <= now; t++) {
          const charging = t - SWITCH_AFTER_S
          const [reading] = charging > 0 ? bench.advanceTo(charging) : [IDLE]
          if (reading) deliver({ t: t + clockS, ...pick(reading) })
        }
        sent = now
      }, TICK_MS)
      return () => clearInterval(timer)
    },
  })
  return [
    one('meter', 0, ({ voltage, current }) => ({ voltage, current })),
    one('battery', BATTERY_CLOCK_S, ({ percent, voltage, current }) => ({
      percent,
      batteryPower: Math.round((voltage ?? 0) * (current ?? 0) * 0.85 * 100) / 100,
    })),
    one('thermometer', 0, ({ temperatures }) => ({ temperatures })),
  ]
}

const IDLE: Reading = { t: 0, percent: 5, voltage: 0, current: 0, temperatures: { back: 21 } }
