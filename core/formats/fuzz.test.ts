import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { expect, it } from 'vitest'
import { csvHolds, logbookHolds, mutatedCsv, mutatedLogbook } from './fuzz.fixture'

/** `npm run fuzz` tries 10,000 of each; the tests a small share of it, from a fixed seed. */
const RUNS = Number(process.env.FUZZ_RUNS ?? 150)
const seed = process.env.FUZZ_RUNS ? Date.now() % 1_000_000 : 1

const LOGBOOK = readFileSync(new URL('./fuzz.logbook.json', import.meta.url), 'utf8')
const CSV =
  'time_s,battery_percent,voltage_v,current_a,power_w,temperature_back_c,note\r\n0,5,5.1,0.5,2.55,21.5,"said ""hello"", then"\r\n60,,9,1.4,12.6,,\r\n120,9,9,1.4,12.6,24,"-1"\r\n'

it('a logbook with anything wrong in it is refused in words, or holds', () => {
  fc.assert(fc.property(mutatedLogbook(LOGBOOK), logbookHolds), { numRuns: RUNS, seed })
  expect(() => logbookHolds(LOGBOOK)).not.toThrow()
}, 600_000)

it('a table with anything wrong in it is refused in words, or holds', () => {
  fc.assert(fc.property(mutatedCsv(CSV), csvHolds), {
    numRuns: process.env.FUZZ_RUNS ? RUNS : RUNS * 4,
    seed,
  })
}, 600_000)
