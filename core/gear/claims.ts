import { decimal } from '../trace/decimal'

/** An advertised claim: this level, from empty, in this many seconds. */
export interface Claim {
  percent: number
  seconds: number
}

const NUMBER = String.raw`(\d+(?:[.,]\d+)?)`
const LEVEL = String.raw`(?:(full)|(half)(?:\s+full)?|${NUMBER}\s*%)`
const TIME = String.raw`(?:${NUMBER}\s*h(?:ours?|rs?)?)?\s*(?:${NUMBER}\s*m(?:in(?:utes?)?)?)?`
const CLAIM = new RegExp(String.raw`^(?:up\s+to\s+)?${LEVEL}\s+(?:in|after)\s+(?:about\s+)?${TIME}\.?$`, 'i')

const number = (text: string | undefined): number => decimal(text ?? '0')

/**
 * Reads claims as boxes print them: "50 % in 30 min; full in 1 h 20 min". One a line, or parted by ";".
 * Returns what was understood and, as typed, what was not.
 */
export function parseClaims(text: string): { claims: Claim[]; unread: string[] } {
  const claims: Claim[] = []
  const unread: string[] = []
  for (const piece of text.split(/[;\n]/).map((p) => p.trim())) {
    if (piece === '') continue
    const claim = parseClaim(piece)
    if (claim) claims.push(claim)
    else unread.push(piece)
  }
  return { claims, unread }
}

function parseClaim(piece: string): Claim | null {
  const found = CLAIM.exec(piece)
  if (!found) return null
  const [, full, half, percentText, hours, minutes] = found
  const percent = full ? 100 : half ? 50 : number(percentText)
  const seconds = number(hours) * 3600 + number(minutes) * 60
  return percent > 0 && percent <= 100 && seconds > 0 ? { percent, seconds } : null
}
