import { Command, InvalidArgumentError } from 'commander'
import { settle, type Agreement } from '@core/gear/agree'
import { parseOffers, type ParsedSide } from '@core/gear/offers'
import { UNMARKED_CABLE_A, USUAL_CABLE, type CableSide } from '@core/gear/sides'
import { figure } from '@core/words/figures'

interface Options {
  source: ParsedSide
  device: ParsedSide
  cable: CableSide
  json?: boolean
}

const NOTATION =
  'Write it like "9V3A; 3.3-11V 3A adjustable; type-c 5V3A; legacy 5V2.4A; NAME 10V5A; wireless 15W'

function side(text: string, whole: 'rated 45W' | 'max 27W; min 10W'): ParsedSide {
  const read = parseOffers(text)
  if (read.unread.length > 0)
    throw new InvalidArgumentError(`Not understood: ${read.unread.join('; ')}. ${NOTATION}; ${whole}".`)
  return read
}

/** `3A`, `5A` (marked), `EPR` (marked for extended range), or a family's own, `NAME:5A`. */
function cable(text: string): CableSide {
  if (/^epr$/i.test(text)) return { ...USUAL_CABLE, amps: 5, extended: true }
  const named = /^(?:(\p{L}[^:]*):)?(\d+(?:\.\d+)?)A$/iu.exec(text.trim())
  const amps = Number(named?.[2])
  if (!named || !(amps > 0 && amps <= 20))
    throw new InvalidArgumentError('A cable is 3A, 5A, EPR, or a family’s own like NAME:5A.')
  return named[1]
    ? { ...USUAL_CABLE, amps: UNMARKED_CABLE_A, family: named[1].trim(), familyAmps: amps }
    : { ...USUAL_CABLE, amps }
}

export function agreeCommand(): Command {
  return new Command('agree')
    .description('what a source and a device settle on')
    .requiredOption('--source <offers>', 'what the source offers', (text) => side(text, 'rated 45W'))
    .requiredOption('--device <accepts>', 'what the device accepts', (text) => side(text, 'max 27W; min 10W'))
    .option('--cable <cable>', '3A, 5A, EPR or NAME:5A', cable, USUAL_CABLE)
    .option('--json', 'print one JSON object')
    .action(({ source, device, cable: through, json }: Options) => {
      const levels = device.offers.filter(
        (o) => o.kind === 'fixed' || o.kind === 'adjustable' || o.kind === 'family',
      )
      const agreement = settle(
        {
          offers: source.offers,
          portWatts: Infinity,
          ratedWatts: source.ratedWatts ?? Infinity,
        },
        {
          accepts: device.offers,
          families: device.offers.flatMap((o) => (o.kind === 'family' ? [o.family] : [])),
          maxWatts: device.maxWatts ?? Infinity,
          minWatts: device.minWatts ?? 0,
          minVolts: 0,
          assumed: levels.length === 0,
        },
        through,
      )
      process.stdout.write(json ? JSON.stringify(asContract(agreement)) + '\n' : asTable(agreement))
    })
}

/** The stable JSON; what cannot be known is null. */
function asContract(a: Agreement) {
  const known = (n: number): number | null => (Number.isFinite(n) ? n : null)
  const none = a.outcome === 'none'
  return {
    outcome: none ? 'no-connection' : a.outcome,
    protocol: none ? null : a.protocol,
    volts: known(a.volts),
    amps: known(a.amps),
    watts: a.watts,
    limit: a.limit === 'no-way' ? 'no-common-protocol' : a.limit,
  }
}

const asTable = (a: Agreement): string =>
  a.outcome === 'none'
    ? `no connection  ${a.why}\n`
    : `${a.outcome}  ${figure(a.watts, 2, 'W')}, ${figure(a.volts, 2, 'V')}, ${figure(a.amps, 2, 'A')} by ${a.protocol}. ${a.why}${a.assumed ? ' Its levels are assumed.' : ''}\n`
