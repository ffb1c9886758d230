import { Command } from 'commander'
import { analyse, type Analysis } from '@core/analysis/analyse'
import { chargesIn } from '@core/analysis/charges'
import { usableCapacity } from '@core/gear/capacity'
import { cut } from '@core/trace/cut'
import { withWatched, type Trace } from '@core/trace/trace'
import { InputError, numberBetween, numbersBetween, readTraceFile, assumedLines } from './input'
import { analysisTable } from './table'

interface Options {
  capacityWh?: number
  health: number
  percent: number[]
  watched?: number[]
  ambient?: number
  charge?: number
  json?: boolean
}

export function analyseCommand(): Command {
  return new Command('analyse')
    .description('milestones, marks, power, energy and efficiency of one trace')
    .argument('<trace>', 'a trace as CSV')
    .option('--capacity-wh <n>', 'rated capacity, Wh', numberBetween(0, 1000, { above: true }))
    .option('--health <percent>', 'battery health, percent', numberBetween(1, 120), 100)
    .option(
      '--percent <n>',
      'a further milestone; may be given again',
      (text, all: number[]) => [...all, numberBetween(0, 100, { above: true })(text)],
      [],
    )
    .option(
      '--watched <levels>',
      'levels whose first reading was watched, like 90,100',
      numbersBetween(0, 100),
    )
    .option('--ambient <C>', 'temperature of the room, °C', numberBetween(-30, 60))
    .option(
      '--charge <n>',
      'one of several charges that the trace holds one after another: the first is 1',
      numberBetween(1, 50),
    )
    .option('--json', 'print one JSON object')
    .action(async (path: string, options: Options) => {
      const read = await readTraceFile(path)
      const part = options.charge === undefined ? read.trace : chargeOf(path, read.trace, options.charge)
      const trace = withWatched(part, options.watched ?? [])
      const usableWh =
        options.capacityWh === undefined ? undefined : usableCapacity(options.capacityWh, options.health)
      const analysis = analyse(trace, {
        usableWh,
        percents: options.percent,
        ambientC: options.ambient,
      })
      process.stdout.write(
        options.json
          ? JSON.stringify(asContract(analysis, read.assumed)) + '\n'
          : assumedLines([path], [read]) + analysisTable(path, analysis),
      )
    })
}

/** One charge of a trace that holds several, from its power-on. */
function chargeOf(path: string, trace: Trace, number: number): Trace {
  const charges = chargesIn(trace)
  const charge = charges[number - 1]
  if (!charge)
    throw new InputError(
      `${path}: it holds ${charges.length > 0 ? `${charges.length} charges` : 'one charge'}.`,
    )
  return cut(trace, charge.fromS, charge.toS)
}

/**
 * The stable JSON. JSON has no NaN: a value that cannot be known is null, its reason among the findings; so is what was
 * assumed about the file.
 */
export function asContract(a: Analysis, assumed: readonly string[]) {
  const known = (n: number): number | null => (Number.isFinite(n) ? n : null)
  return {
    samples: a.samples,
    durationS: a.durationS,
    milestones: a.milestones.map((m) => ({
      percent: m.percent,
      timeS: known(m.timeS),
      earliestS: known(m.earliestS),
      latestS: known(m.latestS),
      firstSeenS: known(m.firstSeenS),
      uncertaintyS: known(m.uncertaintyS),
    })),
    marks: a.marks.map((m) => ({
      atS: m.atS,
      percent: known(m.percent),
      low: known(m.low),
      high: known(m.high),
      gain: known(m.gain),
      uncertainty: known(m.uncertainty),
    })),
    bands: a.bands.map((b) => ({
      from: b.fromPercent,
      to: b.toPercent,
      meanW: known(b.meanW),
      pointsPerMinute: known(b.pointsPerMinute),
    })),
    power: {
      peakW: known(a.power.peakW),
      peakAtS: known(a.power.peakAtS),
      heldPeakW: known(a.power.heldPeakW),
      meanW: known(a.power.meanW),
    },
    energyWh: known(a.energy.energyWh),
    chargeAh: known(a.energy.chargeAh),
    bridgedWh: known(a.energy.bridgedWh),
    energyFrom: a.energy.energyFrom,
    counter: a.energy.counter && {
      energyWh: known(a.energy.counter.energyWh),
      chargeAh: known(a.energy.counter.chargeAh),
      resets: a.energy.counter.resets.length,
    },
    efficiency: known(a.efficiency.value),
    taperEndS: known(a.taperEndS),
    parts: a.parts.map((p) => ({
      kind: p.kind,
      startS: p.startS,
      endS: p.endS,
      meanW: known(p.meanW),
      energyWh: known(p.energyWh),
      gain: known(p.gain),
    })),
    supply: a.supply.map(({ startS, endS, volts, mode }) => ({ startS, endS, volts, mode })),
    heat: a.heat.map((h) => ({
      place: h.place,
      maxC: h.maxC,
      riseC: h.riseC,
      maxAtS: h.maxAtS,
      overAmbientC: known(h.overAmbientC),
      at: h.at.map(({ atS, maxC }) => ({ atS, maxC })),
      backToStartS: known(h.backToStartS),
    })),
    spot: a.spot,
    findings: [
      ...a.findings.map((f) => ({
        code: f.code,
        severity: f.severity,
        atS: known(f.atS),
        message: f.message,
      })),
      ...assumed.map((message) => ({ code: 'read-as', severity: 'notice', atS: null, message })),
    ],
  }
}
