import { expect, test, type Page } from '@playwright/test'
import { writeLogbook } from '@core/formats/logbookJson'
import { randomFrom } from '@core/stats/random'
import { KilledBrowser, readStorage } from './browser'
import { takeIn, withRuns } from './fixture'
import { go as within } from './steps'

// npm run monkey: three tabs, deeds at random, kills at random moments. MONKEY_SEED and MONKEY_DEEDS choose another walk.
const SEED = Number(process.env.MONKEY_SEED ?? Math.floor(Math.random() * 1e6))
const DEEDS = Number(process.env.MONKEY_DEEDS ?? 120)
const random = randomFrom(SEED)
const chance = (share: number) => random.uniform() < share
const one = <T>(of: readonly T[]): T => of[Math.floor(random.uniform() * of.length)]

const SCREENS = [
  '/shelf',
  '/shelf/pairs',
  '/shelf/budget',
  '/plan',
  '/bench',
  '/bench/survey',
  '/bench/spot',
  '/sheet',
  '/sheet/m1',
  '/side-by-side?runs=m0,m1',
  '/side-by-side/replay?runs=m0,m1',
  '/write-up',
  '/how',
  '/files',
]

/** Every watt that stands in the storage: of runs in the logbook, and of lanes in the journal. */
const wattsStored = (page: Page) =>
  page.evaluate(async () => {
    const open = indexedDB.open('inkpath-log')
    const db = await new Promise<IDBDatabase>((resolve) => (open.onsuccess = () => resolve(open.result)))
    const all = (store: string) =>
      new Promise<[string, never][]>((resolve) => {
        const there = db.transaction(store).objectStore(store)
        const [keys, values] = [there.getAllKeys(), there.getAll()]
        values.onsuccess = () =>
          resolve(keys.result.map((key, i) => [String(key), values.result[i] as never]))
      })
    const traces = await all('traces')
    const journal = await all('journal')
    db.close()
    const lines = journal.flatMap(([, value]) => (Array.isArray(value) ? value : [value])) as {
      readings?: { power?: number }[]
    }[]
    return [
      ...traces.flatMap(([, trace]) => Array.from((trace as { power?: Float64Array }).power ?? [])),
      ...lines.flatMap((line) => (line.readings ?? []).map((r) => r.power ?? NaN)),
    ].filter((w) => !Number.isNaN(w))
  })

test('a monkey at three tabs loses nothing that it was told is safe', async ({ baseURL, launchOptions }) => {
  test.setTimeout(30 * 60_000)
  console.log(`seed ${SEED}, ${DEEDS} deeds`)
  const browser = new KilledBrowser(launchOptions, baseURL!)
  const errors: string[] = []
  const promised = new Set<number>()
  const did: string[] = []
  const tell = (what: string) => {
    did.push(what)
    if (process.env.MONKEY_SAYS) console.log(what)
  }
  let tabs: Page[] = []
  let watts = 3
  let kills = 0
  let readings = 0

  const watch = (page: Page) => {
    page.setDefaultTimeout(8000)
    page.on('pageerror', (e) => errors.push(`after ${did.at(-1)}: ${e.message}`))
    return page
  }
  const begin = async () => {
    tabs = [watch(await browser.start())]
    tabs.push(watch(await browser.tab()), watch(await browser.tab()))
    // A machine under load is slow to start a browser: that is no fault.
    for (const tab of tabs) await tab.goto('/bench', { timeout: 60_000 })
  }
  const go = async (page: Page, path: string) => {
    if (page.url().endsWith(path)) return
    // Mostly as links lead: what a screen holds on to is still there when it is seen again.
    await (chance(0.75) ? within(page, path) : page.goto(path))
    // What is not drawn yet is not there to be found.
    await page.locator('main').getByRole('button').first().waitFor()
  }
  const seen = async (page: Page, name: string | RegExp) =>
    page.getByRole('button', { name }).first().isVisible()
  const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name }).first().click()

  /** Until it says so, it is not undone: a page that is left at once may never get there. */
  const undo = async (page: Page) => {
    await press(page, 'Undo')
    await page.getByText('Undone:').waitFor()
  }

  const note = async (page: Page) => {
    watts = Math.round((watts + 0.01) * 100) / 100
    const mine = watts
    await page.getByLabel('Power').fill(String(mine))
    await press(page, /^(Note a reading|Keep it|Store it now)$/)
    const noted = page.getByRole('status').filter({ hasText: `${mine.toFixed(2)}` })
    const question = page.getByText('Press Enter again to keep it')
    await expect(noted.or(question)).toBeVisible({ timeout: 8000 })
    if (await question.isVisible()) await press(page, 'Keep it')
    await expect(noted).toBeVisible({ timeout: 8000 })
    promised.add(mine)
    readings++
  }

  const deeds: Record<string, (page: Page) => Promise<unknown>> = {
    'start a lane': async (page) => {
      await go(page, '/bench')
      if (await seen(page, 'Add a lane')) await press(page, 'Add a lane')
      if (!(await seen(page, 'Start the clock'))) return
      await page.getByLabel('Start level').fill(String(Math.floor(random.uniform() * 60)))
      if (chance(0.15)) {
        await press(page, 'a simulated meter and battery')
        await press(page, one(['1×', '60×', '600×']))
      }
      await press(page, one(['Start the clock', 'Start the clock', 'Put it on the strip']))
    },
    'power on': async (page) => {
      await go(page, '/bench')
      if (await seen(page, 'Power on')) await press(page, 'Power on')
    },
    // By the tab that holds the bench: the others only watch.
    'note some readings': async (page) => {
      for (const tab of [page, ...tabs.filter((t) => t !== page)]) {
        await go(tab, '/bench')
        if (!(await tab.getByLabel('Power').isVisible())) continue
        for (let left = 1 + Math.floor(random.uniform() * 4); left > 0; left--) await note(tab)
        return
      }
    },
    'note an event': async (page) => {
      await go(page, '/bench')
      if (await seen(page, /^Cable moved/)) await press(page, /^Cable moved/)
    },
    stop: async (page) => {
      await go(page, '/bench')
      if (!(await seen(page, 'Stop this run'))) return
      await press(page, 'Stop this run')
      const way = one(['Stop and keep', 'Stop and keep', 'Power was cut', 'Go on charging'])
      await ((await seen(page, way)) ? press(page, way) : press(page, /Take it off|Go on charging/))
    },
    'delete a run and undo': async (page) => {
      await go(page, '/sheet')
      const link = page.locator('tbody a').first()
      if (!(await link.isVisible())) return
      await link.click()
      await press(page, /^Delete/)
      await undo(page)
    },
    'correct a reading': async (page) => {
      await go(page, '/sheet/m0')
      if (!(await seen(page, 'Readings'))) return
      await press(page, 'Readings')
      await press(page, /^Correct Level/)
      await page.getByLabel('Right value').fill(String(Math.floor(random.uniform() * 9)))
      await page.getByLabel('Why').fill('misread')
      await press(page, 'Correct it')
    },
    'add gear': async (page) => {
      await go(page, '/shelf')
      await press(page, 'Add a device')
      await page.getByLabel('Name').fill(`Thwart ${Math.floor(random.uniform() * 1e6)}`)
      await press(page, 'Put on the shelf')
    },
    'merge a file': async (page) => {
      await go(page, '/files')
      await page.locator('input[type=file]').setInputFiles({
        name: 'logbook.json',
        mimeType: 'application/json',
        buffer: Buffer.from(writeLogbook(withRuns(2, `m`), '2026-03-01T12:00:00.000Z')),
      })
      await press(page, 'Merge it in')
    },
    'wipe and undo': async (page) => {
      await go(page, '/files')
      await press(page, /^Wipe/)
      await press(page, 'Wipe it')
      await undo(page)
    },
    'look at a screen': (page) => within(page, one(SCREENS)),
    'take an import back': async (page) => {
      await go(page, '/files')
      // What was written since stays, as is said there.
      if (await seen(page, 'Undo the last import or wipe')) await press(page, 'Undo the last import or wipe')
    },
    'put a device right': async (page) => {
      await go(page, '/shelf')
      await press(page, /^Edit Skerry/)
      await page.getByLabel('Most it takes').fill(String(5 + Math.floor(random.uniform() * 60)))
      await press(page, 'Put on the shelf')
    },
    back: (page) => page.goBack(),
    reload: (page) => page.reload(),
    'close a tab': async (page) => {
      tabs = tabs.filter((t) => t !== page)
      await page.close()
      tabs.push(watch(await browser.tab()))
      await tabs.at(-1)!.goto('/bench')
    },
  }

  /** Whole, and everything that was said to be safe is there. */
  async function check(page: Page) {
    await page.goto('/files')
    await expect(page.getByRole('heading', { name: 'Files' })).toBeVisible()
    await expect(page.getByText(/cannot be read/)).toHaveCount(0)
    const found = await readStorage(page)
    expect(found.torn, 'runs without their readings').toBe(0)
    const ids = found.runs.map((r) => r.id)
    expect(new Set(ids).size, 'a run twice').toBe(ids.length)
    for (const times of found.journals) expect(new Set(times).size, 'a reading twice').toBe(times.length)
    const stored = new Set(await wattsStored(page))
    expect(
      [...promised].filter((w) => !stored.has(w)),
      'noted and lost',
    ).toEqual([])
  }

  try {
    await begin()
    await takeIn(tabs[0], withRuns(2, 'm'))
    for (let i = 0; i < DEEDS; i++) {
      // Readings are what it is all about.
      const name = one([
        ...Object.keys(deeds),
        'start a lane',
        ...Array<string>(5).fill('note some readings'),
      ])
      const which = Math.floor(random.uniform() * tabs.length)
      tell(`${i} ${name} in tab ${which}`)
      // What a reviewer threw away and could not bring back was not lost by the program.
      const thrownAway = () => /undo/.test(name) && promised.clear()
      const deed = deeds[name](tabs[which]).catch((e: Error) => {
        thrownAway()
        // A dialog in the way, a button that is gone: a monkey goes on. A page that answers nothing does not.
        if (process.env.MONKEY_SAYS || !/Timeout|closed|detached|crashed/.test(e.message))
          tell(`   ${e.message.split('\n')[0]}`)
      })
      if (chance(0.1)) {
        await new Promise((resolve) => setTimeout(resolve, random.uniform() * 800))
        kills++
        await browser.kill()
        // What was asked of a browser that is gone may never be answered.
        await Promise.race([deed, new Promise((resolve) => setTimeout(resolve, 8000))])
        thrownAway()
        await begin()
        await check(tabs[2])
      } else await deed
      for (const tab of tabs)
        await Promise.race([
          tab.evaluate(() => 1),
          new Promise((_, no) =>
            setTimeout(() => no(new Error(`a tab stands still after ${did.at(-1)}`)), 20_000),
          ),
        ])
    }
    await check(tabs[0])
    expect(errors).toEqual([])
    console.log(`${kills} kills, ${readings} readings noted, none lost`)
  } catch (error) {
    console.log(did.slice(-12).join('\n'))
    throw error
  } finally {
    await browser.end()
  }
})
