import { expect, test, type Page } from '@playwright/test'
import type { Logbook } from '@core/logbook/logbook'
import { copied, isBack, KilledBrowser, LOSE_ALL, readStorage } from './browser'
import { takeIn, takeInShelf, withRuns } from './fixture'
import { elapsedSeconds, openedAt, startByHand, startSimulated, stopAndKeep } from './steps'

const browserFor = (baseURL: string | undefined) =>
  new KilledBrowser(test.info().project.use.launchOptions!, baseURL!)

test('a database that the browser has lost is missed, and the second copy brings lanes and runs back', async ({
  baseURL,
}) => {
  test.setTimeout(120_000)
  const browser = browserFor(baseURL)
  try {
    let page = await browser.start()
    await takeIn(page, withRuns(3))
    await startByHand(page, /^Hawser/, '5')
    await startSimulatedBeside(page)
    await expect.poll(() => elapsedSeconds(page)).toBeGreaterThan(6)
    const before = await readStorage(page)
    await browser.kill()
    browser.deleteDatabase()

    page = await browser.start()
    await page.addInitScript(() => {
      const seen = ((window as unknown as { seen: string[] }).seen = [] as string[])
      new MutationObserver(() => {
        const text = document.querySelector(':is(h1, h2)')?.textContent
        if (text && !seen.includes(text)) seen.push(text)
      }).observe(document, { childList: true, subtree: true })
    })
    await page.goto('/bench')
    // Neither an empty bench nor an empty shelf, as if nothing had been: not for a moment.
    await expect(page.getByRole('heading', { name: 'Something is missing' })).toBeVisible()
    const seen = await page.evaluate(() => (window as unknown as { seen: string[] }).seen)
    expect(seen).toEqual(['Something is missing'])
    // The browser writes the note down seconds late: it may know of one lane only, or of nothing.
    await expect(page.getByText(/holds 0 runs and 0 lanes.*copy holds 3 runs and 2 lanes/)).toBeVisible()
    await page.getByRole('button', { name: 'Bring the second copy back' }).click()
    await expect(page.getByTestId('elapsed')).toHaveCount(2)
    const after = await readStorage(page)
    expect(after.runs.map((r) => r.id).sort()).toEqual(['r0', 'r1', 'r2'])
    expect(after.runs).toEqual(expect.arrayContaining(before.runs))
    // Not a reading older than the last second is lost, and none is doubled.
    for (const [i, times] of after.journals.entries()) {
      expect(new Set(times).size).toBe(times.length)
      const kept = before.journals[i].filter((t) => t < before.journals[i].at(-1)! - 1)
      expect(times).toEqual(expect.arrayContaining(kept))
    }
    await page.goto('/sheet')
    await expect(page.getByRole('link', { name: /no. 1 from Hawser/ })).toHaveCount(3)
  } finally {
    await browser.end()
  }
})

async function startSimulatedBeside(page: Page) {
  await page.getByRole('button', { name: 'Add a lane' }).click()
  await page.getByLabel('Start level').fill('5')
  await page.getByRole('button', { name: 'a simulated meter and battery' }).click()
  await page.getByRole('button', { name: '1×', exact: true }).click()
  await page.getByRole('button', { name: 'Start the clock' }).click()
  await expect(page.getByTestId('elapsed')).toHaveCount(2)
}

/** What is done as the browser is killed, and what may be found afterwards: all of it or nothing. */
const DEEDS: Record<string, { begin(page: Page): Promise<void>; press: string | RegExp; runs: number[] }> = {
  'a merge': {
    runs: [2, 7],
    press: 'Merge it in',
    begin: (page) => offer(page, withRuns(5, 'm')),
  },
  'a replacement': {
    runs: [2, 5],
    press: 'Replace my logbook with it',
    begin: (page) => offer(page, withRuns(5, 'm')),
  },
  'a wipe': {
    runs: [0, 2],
    press: 'Wipe it',
    begin: async (page) => {
      await page.goto('/files')
      await page.getByRole('button', { name: 'Wipe the logbook' }).click()
    },
  },
  'a deletion': {
    runs: [1, 2],
    press: 'Delete this run',
    begin: async (page) => void (await page.goto('/sheet/r1')),
  },
  'the undoing of a deletion': {
    runs: [1, 2],
    press: 'Undo',
    begin: async (page) => {
      await page.goto('/sheet/r1')
      await page.getByRole('button', { name: 'Delete this run' }).click()
    },
  },
  'a correction': {
    runs: [2],
    press: 'Correct it',
    begin: async (page) => {
      await page.goto('/sheet/r1')
      await page.getByRole('button', { name: 'Readings' }).click()
      await page.getByRole('button', { name: /^Correct Level, % at 0:05:00/ }).click()
      await openedAt(page, 'Right value')
      await page.getByLabel('Right value').fill('11')
      await page.getByLabel('Why').fill('misread')
    },
  },
  'the end of a lane': {
    runs: [2, 3],
    press: 'Stop and keep',
    begin: async (page) => {
      await startByHand(page, /^Hawser/, '5')
      await page.getByRole('button', { name: 'Stop this run' }).click()
    },
  },
}
async function offer(page: Page, logbook: Logbook) {
  const { writeLogbook } = await import('@core/formats/logbookJson')
  await page.goto('/files')
  await page.locator('input[type=file]').setInputFiles({
    name: 'logbook.json',
    mimeType: 'application/json',
    buffer: Buffer.from(writeLogbook(logbook, '2026-03-01T12:00:00.000Z')),
  })
}

for (const [name, { begin, press, runs }] of Object.entries(DEEDS))
  test(`a browser killed in the middle of ${name} leaves all of it or nothing`, async ({ baseURL }) => {
    test.setTimeout(120_000)
    const browser = browserFor(baseURL)
    try {
      let page = await browser.start()
      await takeIn(page, withRuns(2))
      const number = await copied(page)
      await begin(page)
      // Truly at random: the moment is told when the test fails.
      const wait = Math.round(Math.random() * 120)
      await page.getByRole('button', { name: press }).click({ noWaitAfter: true })
      await page.waitForTimeout(wait)
      await browser.kill()
      if (LOSE_ALL) browser.deleteDatabase()

      page = await browser.start()
      await page.goto('/files')
      await isBack(page, page.getByRole('heading', { name: 'Files' }), number)
      const found = await readStorage(page)
      expect(runs, `killed after ${wait} ms`).toContain(found.runs.length)
      expect([found.torn, found.loose]).toEqual([0, 0])
      await expect(page.getByText(/cannot be read/)).toHaveCount(0)
      for (const run of found.runs)
        for (const { row, to } of run.corrections) expect(run.percents[row]).toBe(to)
      const [corrected] = found.runs.filter((r) => r.id === 'r1')
      if (name === 'a correction') expect([10, 11]).toContain(corrected.percents[1])
      if (name === 'a correction' && corrected.percents[1] === 11)
        expect(corrected.corrections).toHaveLength(1)
      // A lane is on the bench or in the logbook, never in both and never in neither.
      if (name === 'the end of a lane')
        await expect
          .poll(async () => {
            const { session, runs: kept, journals } = await readStorage(page)
            return [session + kept.length, journals.length - session]
          })
          .toEqual([3, 0])
    } finally {
      await browser.end()
    }
  })

test('three tabs see what each writes, and none writes over another', async ({ context }) => {
  test.setTimeout(120_000)
  const [first, second, third] = [await context.newPage(), await context.newPage(), await context.newPage()]
  await takeIn(first, withRuns(2))
  // A tab behind another draws a frame a second: the one at work stands in front.
  for (const tab of [second, third]) {
    await tab.bringToFront()
    await tab.goto('/sheet/r1')
    await tab.getByRole('button', { name: 'Readings' }).click()
  }
  const correct = async (tab: Page, at: string, value: string) => {
    await tab.bringToFront()
    await tab.getByRole('button', { name: new RegExp(`^Correct Level, % at ${at}`) }).click()
    await tab.getByLabel('Right value').fill(value)
    await tab.getByLabel('Why').fill('misread')
    await tab.getByRole('button', { name: 'Correct it' }).click()
  }
  await correct(second, '0:05:00', '11')
  await expect(third.getByText(/was 10\s%: misread/)).toBeVisible()
  await correct(third, '0:10:00', '16')
  await expect(second.getByText(/was 15\s%: misread/)).toBeVisible()
  const [run] = (await readStorage(first)).runs.filter((r) => r.id === 'r1')
  expect(run.percents.slice(0, 3)).toEqual([5, 11, 16])
  expect(run.corrections).toHaveLength(2)
  for (const tab of [second, third]) {
    await tab.bringToFront()
    await tab.getByRole('button', { name: 'Edit this run' }).click()
  }
  await third.getByLabel('Notes').fill('by the window')
  await third.getByRole('button', { name: 'Keep it' }).click()
  await second.bringToFront()
  await expect(second.getByLabel('Notes')).toHaveValue('by the window')
  await second.getByLabel('Name', { exact: true }).fill('The first evening')
  await second.getByRole('button', { name: 'Keep it' }).click()
  await expect(third.getByRole('heading', { name: 'The first evening' })).toBeVisible()
  await expect(third.getByText('by the window')).toBeVisible()

  // A form that was opened before another tab changed something else keeps what that tab wrote.
  for (const tab of [second, first]) {
    await tab.bringToFront()
    await tab.goto('/shelf')
    await tab.getByRole('button', { name: /^Edit Skerry/ }).click()
  }
  await second.bringToFront()
  await second.getByLabel('Notes').fill('scratched')
  await first.bringToFront()
  await first.getByLabel('Name').fill('Skerry P5, the mate’s')
  await first.getByRole('button', { name: 'Put on the shelf' }).click()
  await first.getByRole('button', { name: 'Edit Skerry P5, the mate’s' }).click()
  // What nobody typed into is shown as the other tab left it, in a form that is open already too.
  await second.bringToFront()
  await expect(second.getByLabel('Name')).toHaveValue('Skerry P5, the mate’s')
  await second.getByRole('button', { name: 'Put on the shelf' }).click()
  await first.bringToFront()
  await expect(first.getByLabel('Notes')).toHaveValue('scratched')
  await expect(first.getByLabel('Name')).toHaveValue('Skerry P5, the mate’s')
  await first.getByRole('button', { name: 'Leave as it was' }).click()

  // An idle tab that was open before the lane began does not take the bench for empty.
  await second.bringToFront()
  await startSimulated(second, /^Hawser/, '5', '1×')
  await third.goto('/bench')
  await expect(third.getByText(/Another tab of this program holds the bench/)).toBeVisible()
  await first.getByRole('link', { name: 'Bench' }).click()
  await expect(first.getByText(/Another tab of this program holds the bench/)).toBeVisible()
  await second.close()
  const holders = async () =>
    (
      await Promise.all(
        [first, third].map((tab) => tab.getByRole('button', { name: 'Stop this run' }).count()),
      )
    ).join()
  await expect.poll(holders).toMatch(/^(1,0|0,1)$/)
  const [lane] = (await readStorage(first)).journals
  expect(new Set(lane).size).toBe(lane.length)
})

test('a browser whose database does not open stops and says so; nothing is shown as if it were all', async ({
  page,
}) => {
  await page.addInitScript(() => {
    Object.defineProperty(window, 'indexedDB', { value: undefined })
  })
  await page.goto('/shelf')
  await expect(page.getByRole('heading', { name: 'The logbook could not be opened' })).toBeVisible()
  await expect(page.getByText(/does not open its database/)).toBeVisible()
  expect(
    await page.evaluate(() => Object.keys(localStorage).filter((k) => k.includes('inkpath-log/'))),
  ).toEqual([])
})

test('a record that does not hold is set apart and can be taken out; everything else opens', async ({
  page,
}) => {
  await takeIn(page, withRuns(3))
  await page.evaluate(async () => {
    const open = indexedDB.open('inkpath-log')
    const db = await new Promise<IDBDatabase>((resolve) => (open.onsuccess = () => resolve(open.result)))
    const store = db.transaction('edition-b', 'readwrite').objectStore('edition-b')
    const got = store.get('runs/r1')
    await new Promise((resolve) => (got.onsuccess = resolve))
    const envelope = got.result as { item: { stop: unknown } }
    envelope.item.stop = { kind: 'level', percent: -4 }
    const put = store.put(envelope, 'runs/r1')
    await new Promise((resolve) => (put.onsuccess = resolve))
    db.close()
  })
  await page.goto('/files')
  await expect(page.getByText(/2 runs\./)).toBeVisible()
  await expect(page.getByRole('alert')).toContainText(
    /1 record in the store cannot be read.*run r1.*stop rule/,
  )
  const saving = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Take them out as they are' }).click()
  const stream = await (await saving).createReadStream()
  let text = ''
  for await (const chunk of stream) text += chunk
  expect(text).toContain('"percent":-4')
})

test('a run made on the bench is in the file that the reviewer named', async ({ page }) => {
  // A file of the browser's own stands in for one on disk: its dialog cannot be answered here.
  await page.addInitScript(() => {
    Object.assign(window, {
      showSaveFilePicker: async () =>
        (await navigator.storage.getDirectory()).getFileHandle('named.json', { create: true }),
    })
  })
  // Read while it is being replaced whole, the file is gone for a moment: it is looked at again.
  const named = () =>
    page.evaluate(async () => {
      const handle = await (await navigator.storage.getDirectory()).getFileHandle('named.json')
      const text = await handle
        .getFile()
        .then((file) => file.text())
        .catch(() => '')
      return (JSON.parse(text || '{}') as { runs?: unknown[] }).runs?.length
    })
  await takeInShelf(page)
  await page.goto('/files')
  await page.getByRole('button', { name: 'Name a file' }).click()
  await expect(page.getByTestId('copy-disk')).toContainText('written')
  await expect.poll(named).toBe(0)
  await startByHand(page, 'Bollard 12', '5')
  await stopAndKeep(page)
  await expect.poll(named).toBe(1)
})
