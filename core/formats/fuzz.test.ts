import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { expect, it } from 'vitest'
import { csvHolds, logbookHolds, mutatedCsv, mutatedLogbook } from './fuzz.fixture'

/** `npm run fuzz` tries 10,000 of each; the tests a small share of it. */
const RUNS = Number(process.env.FUZZ_RUNS ?? 150)

const LOGBOOK = readFileSync(new URL('./fuzz.logbook.json', import.meta.url), 'utf8')
const CSV =
  'time_s,battery_percent,voltage_v,current_a,power_w,temperature_back_c,note\r\n0,5,5.1,0.5,2.55,21.5,"said ""hello"", then"\r\n60,,9,1.4,12.6,,\r\n120,9,9,1.4,12.6,24,"-1"\r\n'

/** Tables below each other, one that begins again, and one beside another. */
const RECORDS = [
  'Start: 2026-03-02 18:40\nHawser 20\nTime (min);Level;W\n0;5;18\n5;11;17,5\n10;17;17\n\nBollard 12\nTime (min);Level;W\n0;5;9\n5;8;9\n0;5;9\n5;8;9\n',
  'a,,b,\nClock,Level,Clock,Level\n12:50,5,12:50,5\n1:00,11,1:00,8\n1:10,17,1:10,11\n',
  'Time;Hawser 20;Bollard 12\n0;5;5\n5;11;8\n10;17;11\n0;5;5\n5;11;8\n10;17;11\n',
]

/** Tries `holds` on many, and gives back the share of them that was read: what is refused proves little. */
function shareRead(texts: fc.Arbitrary<string>, holds: (text: string) => boolean, numRuns: number): number {
  let [read, all] = [0, 0]
  const count = (text: string) => {
    all++
    if (holds(text)) read++
  }
  fc.assert(fc.property(texts, count), { numRuns })
  return read / all
}

it('a logbook with anything wrong in it is refused in words, or holds', () => {
  expect(logbookHolds(LOGBOOK)).toBe(true)
  expect(shareRead(mutatedLogbook(LOGBOOK), logbookHolds, RUNS)).toBeGreaterThan(0.1)
}, 600_000)

it('a table with anything wrong in it is refused in words, or holds', () => {
  const numRuns = process.env.FUZZ_RUNS ? RUNS : RUNS * 4
  expect(shareRead(mutatedCsv(CSV), csvHolds, numRuns)).toBeGreaterThan(0.2)
  for (const text of RECORDS) {
    expect(csvHolds(text)).toBe(true)
    expect(shareRead(mutatedCsv(text), csvHolds, Math.ceil(numRuns / 4))).toBeGreaterThan(0.2)
  }
}, 600_000)
