import { decimal } from '../trace/decimal'
import { withSigns } from '../trace/spelledUnits'

const N = String.raw`\d+(?:[.,]\d+)?`
const VOLTS = String.raw`${N}\s*V`
const AMPS = String.raw`${N}\s*A`
/** Signs of direct current, and what else prints set between volts and amperes. */
const BETWEEN = new RegExp(String.raw`V\s*(?:[⎓⏛*@×x/·]|=+|[-–—])+\s*(?=${N}\s*m?A)`, 'gi')
/**
 * What a print says of its ends and of direct current, and of the protocol whose levels need no name: each only beside a
 * figure, so that a family may be called by any of these words.
 */
const SAID: [RegExp, string][] = [
  [/[⎓⏛]/g, ' '],
  [/\bDC\b(?=\s*:?\s*\d)|(?<=\d\s*V\s*)DC\b/g, ' '],
  [/\b(?:USB[- ]?)?PD(?:\s?\d(?:\.\d)?(?=\s*:|\s+\d))?\s*:?\s*(?=\d)|\b[ES]PR\b\s*:?\s*(?=\d)/gi, ' '],
  [/\bBC\s?1\.2\b(?=\s*:?\s*\d)/gi, 'legacy'],
  [/\b(?:PPS|AVS)\b\s*:?\s*(?=\d)|(?<=\d\s*A)\s*\(?\b(?:PPS|AVS)\b\)?/gi, ' '],
  // "(100W max)", "45.0W" behind the amperes, "(E-marked)", "max".
  [/(?<=\d\s*A)\s*\(\s*(?:[^()]*\d\s*W[^()]*|max\.?|e-?marked)\)/gi, ' '],
  [new RegExp(String.raw`(?<=\d\s*A)\s*=?\s*${N}\s*W\b(?:\s*max\b\.?)?`, 'gi'), ''],
  [/(?<=\d\s*A)\s*max\b\.?(?!\s*\d)/gi, ''],
  // "5V 3A max 27W" is two things.
  [/(?<=\d\s*A)\s+(?=(?:max|min|rated)\s*\d)/gi, ', '],
]
/** Which port, or which end, the print is of: "USB-C1:", "65W:", "Input:". */
const LABEL =
  /^\s*(?:port\s*)?(?:usb[- ]?)?(?:[ac]\d?|type[- ]?[ac]\d?|\d{1,3}\s*W|usb)\s*:\s*|^\s*(?:dc\s+)?(?:in|out)(?:put)?\s*:?\s*(?=\d)/i

const BEGINS = new RegExp(String.raw`^(${VOLTS}|${N}\s*[-–—])`, 'i')
/** "5V3A/9V3A", "5V3A 9V3A" and "5V3A or 9V3A" with commas; what is of a family by name stays. */
const parted = (piece: string): string =>
  BEGINS.test(piece)
    ? piece.replace(
        new RegExp(String.raw`(?<=\d\s*A)\s*(?:[/|+&•·]|or|and|\s)\s*(?=${VOLTS}|${N}\s*[-–—])`, 'gi'),
        ', ',
      )
    : piece

/** "5V/9V/12V 3A" as a level each. */
function each(piece: string): string {
  const [, levels, amps] =
    new RegExp(String.raw`^((?:${VOLTS}\s*/\s*)+${VOLTS})\s*(${AMPS})$`, 'i').exec(piece) ?? []
  return levels
    ? levels
        .split('/')
        .map((level) => `${level.trim()} ${amps}`)
        .join(', ')
    : piece
}

/** "9V 27W" in amperes, "3A 5V" and "15W wireless" the other way round. */
function turned(piece: string): string {
  const [, volts, watts] = new RegExp(String.raw`^(${N})\s*V\s*/?\s*(${N})\s*W$`, 'i').exec(piece) ?? []
  if (volts) return `${volts}V ${Number((decimal(watts) / decimal(volts)).toFixed(3))}A`
  return piece
    .replace(new RegExp(String.raw`^(${AMPS})\s*(${VOLTS})$`, 'i'), '$2 $1')
    .replace(new RegExp(String.raw`^(${N}\s*W)\s*wireless$`, 'i'), 'wireless $1')
}

const pieces = (text: string): string[] =>
  text
    .split(/[;\n]|(?<!\d),|,(?!\d)/)
    .map((piece) => piece.trim())
    .filter(Boolean)

/**
 * What is printed on a charger, piece by piece in the notation of the shelf: without the signs and words that prints set
 * around volts and amperes. What it does not know stays as it is. Prints are common practice, no source.
 *
 * @example printedPieces('Output: 5.0V⎓3.0A / 9.0V⎓2.22A (20W max)') // ['5.0V 3.0A', '9.0V 2.22A']
 */
export function printedPieces(text: string): string[] {
  // Of both ends, what comes out.
  const out = text
    .replace(/^[^]*\binput\b[^]*?\boutput\b\s*:?|(?<=\d\s*A\b[^]*)\binput\b[^]*$/i, '')
    .replace(LABEL, '')
  let plain = withSigns(out)
    .replace(BETWEEN, 'V ')
    .replace(new RegExp(String.raw`(${N})\s*mA(?!h)\b`, 'g'), (_, mA: string) => `${decimal(mA) / 1000}A`)
  for (const [words, sign] of SAID) plain = plain.replace(words, sign)
  const found = pieces(plain)
    .flatMap((piece) => pieces(parted(piece)))
    .flatMap((piece) => pieces(each(piece)))
    .map(turned)
  // "5V, 3A" is one.
  return found.flatMap((piece, i) => {
    const isVolts = (p?: string) => p !== undefined && new RegExp(`^${VOLTS}$`, 'i').test(p)
    const isAmps = (p?: string) => p !== undefined && new RegExp(`^${AMPS}$`, 'i').test(p)
    if (isAmps(piece) && isVolts(found[i - 1])) return []
    return isVolts(piece) && isAmps(found[i + 1]) ? [`${piece} ${found[i + 1]}`] : [piece]
  })
}
