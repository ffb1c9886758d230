import 'fake-indexeddb/auto'
import fc from 'fast-check'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { readLogbook, writeLogbook } from '@core/formats/logbookJson'
import { journalDrawer, openDatabase } from '../storage/database'
import { importLogbook, openLogbook, readWhole } from '../storage/logbookStorage'
import { demoLike, emptyBrowser } from '../storage/storage.fixture'
import { useBench } from './bench'
import { elapsedAt, type Lane } from './lane'
import { useLogbook } from './logbook'
import { byHand, stubMetronome } from './tabs.fixture'

// A page that is gone hears nothing any more.
vi.hoisted(() => vi.stubGlobal('BroadcastChannel', undefined))

/**
 * Whole evenings at the bench, drawn by chance, beside a plain account of what truly happened: how long each lane has
 * really charged, and what was noted when. Whatever the machine's clocks, its sleep, its restarts and its storage do
 * in between, the runs that are kept must tell the same.
 */
type Deed =
  | { do: 'pass' | 'sleep' | 'reload' | 'restart'; seconds: number }
  | { do: 'set clock'; seconds: number }
  | { do: 'start' | 'take back' | 'event' | 'finish' | 'tick' }
  | { do: 'note' | 'note later'; percent: number }
  | { do: 'refuse' | 'serve'; on: boolean }

const seconds = (min: number, max: number) => fc.integer({ min, max })
const of = <K extends Deed['do']>(kind: K) => fc.constant(kind)
/** Sleep and a clock that is set never make up for each other to the second: nobody could see that from within. */
const DEED: fc.Arbitrary<Deed> = fc.oneof(
  { weight: 6, arbitrary: fc.record({ do: of('pass'), seconds: seconds(1, 900) }) },
  { weight: 8, arbitrary: fc.record({ do: of('note'), percent: seconds(1, 100) }) },
  { weight: 2, arbitrary: fc.record({ do: of('note later'), percent: seconds(1, 100) }) },
  { weight: 2, arbitrary: fc.record({ do: fc.constantFrom('event' as const, 'tick' as const, 'take back' as const) }) },
  { weight: 2, arbitrary: fc.record({ do: of('sleep'), seconds: seconds(1, 120).map((n) => n * 60) }) },
  {
    weight: 2,
    arbitrary: fc.record({ do: of('set clock'), seconds: seconds(-120, 120).map((n) => n * 60 + 20) }),
  },
  { weight: 2, arbitrary: fc.record({ do: of('reload'), seconds: seconds(0, 600) }) },
  { weight: 1, arbitrary: fc.record({ do: of('restart'), seconds: seconds(20, 1200) }) },
  { weight: 2, arbitrary: fc.record({ do: fc.constantFrom('start' as const, 'finish' as const) }) },
  { weight: 2, arbitrary: fc.record({ do: fc.constantFrom('refuse' as const, 'serve' as const), on: fc.boolean() }) },
) // prettier-ignore

/** The machine: what the program can see of it, and what time it truly is. */
const machine = { wall: 0, page: 0, uptime: 0, boot: 1, serves: true, refuses: false, now: 0 }
let tick: () => void = () => undefined

interface Told {
  /** NaN where nobody could tell. */
  t: number
  what: string
  stored: boolean
  /** Taken back, which is not stored yet: a reload would bring it back. */
  takenBack?: boolean
}
/** What truly happened on a lane. */
interface Account {
  /** Time was slept through that the server never told of before the page was gone: nobody can count it. */
  uncounted: boolean
  startedAt: number
  readings: Told[]
  events: Told[]
}

/** One evening: the program, and the account that is kept beside it. */
class Evening {
  bench!: ReturnType<typeof useBench>
  readonly accounts = new Map<string, Account>()
  readonly kept = new Map<string, Account>()

  async open() {
    tick = () => undefined
    setActivePinia(createPinia())
    await useLogbook().load()
    this.bench = useBench()
    await this.bench.resume()
    await settle()
    this.sighted = machine.serves
    this.assumed = this.isNew = false
  }
  get lane(): Lane | undefined {
    return this.bench.lanes.at(-1)
  }
  pass(s: number, { awake = true } = {}) {
    machine.now += s
    machine.wall += s * 1000
    machine.uptime += s
    if (awake) machine.page += s * 1000
  }
  /** The page is gone, with what storage refused. */
  forget() {
    for (const account of this.accounts.values()) {
      account.readings = account.readings.filter((r) => r.stored)
      for (const reading of account.readings) reading.takenBack = false
      account.events = account.events.filter((e) => e.stored)
    }
  }
  account = (lane: Lane): Account => this.accounts.get(lane.setup.runId)!
  /** Slept, and not told of by the server since. */
  slept = false
  /** The clocks jumped, and nothing has looked at them since. */
  isNew = false
  /** They jumped while the server told nothing. */
  assumed = false
  /** The server told its clock to this page: only from then on can it tell sleep. */
  sighted = false
  looked() {
    if (this.slept && !this.sighted) this.giveUp()
    if (this.isNew) this.assumed = !machine.serves
    if (this.isNew && machine.serves) this.slept = false
    this.isNew = false
  }
  giveUp() {
    if (!this.slept) return
    for (const account of this.accounts.values()) account.uncounted = true
    this.slept = this.sighted = false
  }
  /** The moment on a lane's clock; NaN while the clock may stand wrong by a sleep that nobody told of. */
  moment(lane: Lane): number {
    this.looked()
    const { startedAt, uncounted } = this.account(lane)
    return this.slept || uncounted ? NaN : machine.now - startedAt
  }

  async note(percent: number, later: number) {
    const { lane } = this
    if (!lane) return
    this.pass(1)
    const t = this.moment(lane)
    const seenAt = later ? machine.page : undefined
    this.pass(later)
    const { stored } = await this.bench.note(lane, { percent }, seenAt)
    if (stored) this.nowStored()
    this.account(lane).readings.push({ t, what: String(percent), stored })
  }
  /** Lines are stored in their order: once one is, so are those before it. */
  nowStored() {
    if (this.lane) this.stored(this.account(this.lane))
  }
  stored(account: Account) {
    for (const told of [...account.readings, ...account.events]) told.stored = true
    account.readings = account.readings.filter((r) => !r.takenBack)
  }

  allStored() {
    for (const account of this.accounts.values()) this.stored(account)
  }

  async act(deed: Deed) {
    const { lane } = this
    switch (deed.do) {
      case 'pass':
        this.pass(deed.seconds)
        return this.strike()
      case 'tick':
        return this.strike()
      case 'sleep':
        this.slept = this.isNew = true
        return this.pass(deed.seconds, { awake: false })
      case 'set clock':
        machine.wall += deed.seconds * 1000
        this.isNew = true
        return
      case 'serve':
        await this.strike()
        machine.serves = deed.on
        // It is asked again after a while.
        this.pass(11)
        await this.strike()
        if (deed.on) this.slept = this.assumed = false
        if (this.lane) this.sighted ||= deed.on
        return
      case 'refuse':
        machine.refuses = deed.on
        return
      case 'reload':
      case 'restart':
        await this.strike()
        this.forget()
        this.giveUp()
        this.pass(deed.seconds)
        machine.page = 500
        if (deed.do === 'restart') Object.assign(machine, { uptime: 20, boot: machine.boot + 1 })
        return this.open()
      case 'start':
        if (this.bench.lanes.length === 8 || machine.refuses) return
        this.looked()
        this.giveUp()
        if (this.assumed) this.sighted = false
        this.assumed = false
        this.sighted ||= machine.serves
        return void this.accounts.set((await this.bench.start(byHand())).setup.runId, {
          uncounted: false,
          startedAt: machine.now,
          readings: [{ t: 0, what: '5', stored: true }],
          events: [],
        })
      case 'note':
        return this.note(deed.percent, 0)
      case 'note later':
        return this.note(deed.percent, 9)
      case 'event': {
        if (!lane) return
        const t = this.moment(lane)
        const { stored } = await this.bench.noteEvent(lane, 'cable', 'moved')
        if (stored) this.nowStored()
        return void this.account(lane).events.push({ t, what: 'moved', stored })
      }
      case 'take back': {
        if (!lane) return
        const stored = await this.bench.takeBack(lane)
        const standing = this.account(lane).readings.filter((r) => !r.takenBack)
        if (standing.length > 1) standing.at(-1)!.takenBack = true
        if (stored) this.nowStored()
        return
      }
      case 'finish':
        if (!lane || machine.refuses) return
        await this.bench.retry()
        this.nowStored()
        await this.bench.finish(lane, { spoilt: false, reason: '' })
        this.kept.set(lane.setup.runId, this.account(lane))
        return void this.accounts.delete(lane.setup.runId)
    }
  }
  async strike() {
    tick()
    await settle()
    if (this.lane) this.looked()
    // It tries again by itself; where no alarm stands, it says that all is stored.
    if (!this.bench.alarm) this.allStored()
  }
}
let refusals = 0
function refusal(): Promise<never> {
  refusals++
  return Promise.reject(new DOMException('full', 'QuotaExceededError'))
}
const settle = () => new Promise((resolve) => setTimeout(resolve, 0))
const near = (t: number) => (Number.isNaN(t) ? expect.any(Number) : expect.closeTo(t, 1)) as number

beforeEach(async () => {
  // A drawer that is not open yet takes on its methods as it opens, and would write past the spy.
  await openDatabase()
  vi.spyOn(Date, 'now').mockImplementation(() => machine.wall)
  vi.spyOn(performance, 'now').mockImplementation(() => machine.page)
  stubMetronome((strike) => (tick = strike))
  vi.stubGlobal('navigator', {})
  vi.stubGlobal('fetch', () =>
    machine.serves
      ? Promise.resolve({
          ok: true,
          json: () => Promise.resolve({ uptimeS: machine.uptime, bootId: `b${machine.boot}` }),
        })
      : Promise.reject(new TypeError('offline')),
  )
  const store = journalDrawer.setItem.bind(journalDrawer)
  vi.spyOn(journalDrawer, 'setItem').mockImplementation((...given) =>
    machine.refuses ? refusal() : store(...(given as [string, unknown])),
  )
})
afterEach(() => {
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})

const EVENINGS = process.env.FUZZ_RUNS ? 1000 : 30

it(
  'keeps what truly happened, whatever clocks, sleep, restarts and storage do',
  { timeout: 600_000 },
  async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(DEED, { minLength: 4, maxLength: 40 }), async (deeds) => {
        Object.assign(machine, {
          wall: Date.parse('2026-03-02T19:00:00Z'),
          page: 1000,
          uptime: 5000,
          boot: 1,
        })
        Object.assign(machine, { serves: true, refuses: false, now: 0 })
        await emptyBrowser()
        await openLogbook()
        await importLogbook(demoLike(), 'replace')
        const evening = new Evening()
        await evening.open()
        await evening.act({ do: 'start' })
        for (const deed of deeds) {
          await evening.act(deed)
        }
        await evening.strike()
        machine.serves = true
        evening.pass(11)
        await evening.strike()
        for (const lane of evening.bench.lanes.filter((l) => !evening.account(l).uncounted))
          expect(elapsedAt(lane, machine.page)).toEqual(near(machine.now - evening.account(lane).startedAt))
        machine.refuses = false
        while (evening.lane) await evening.act({ do: 'finish' })
        const { logbook } = await readWhole()
        const { runs } = readLogbook(writeLogbook(logbook, 'now'))
        expect(runs.map(({ run }) => run.id).sort()).toEqual([...evening.kept.keys()].sort())
        for (const { run, trace } of runs) {
          const { readings, events } = evening.kept.get(run.id)!
          expect([...trace.percent!]).toEqual(readings.map((r) => Number(r.what)))
          expect([...trace.time]).toEqual(readings.map((r) => near(r.t)))
          const noted = run.events.filter((e) => e.kind === 'cable')
          expect(noted.map((e) => e.t)).toEqual(events.map((e) => near(e.t)))
        }
      }),
      { numRuns: EVENINGS },
    )
    expect(refusals, 'readings that storage refused').toBeGreaterThan(0)
  },
)
