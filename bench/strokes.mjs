// Clicks and keys of a newcomer for the usual tasks, counted in the real interface. A choice from a list is two clicks;
// every character and every Enter or Tab is a key.
import { openProgram } from './program.ts'

const { base, browser, close } = await openProgram()

class Hand {
  clicks = 0
  keys = 0
  constructor(page) {
    this.page = page
  }
  async click(target) {
    this.clicks++
    await target.click()
  }
  button(name, exact = false) {
    return this.click(this.page.getByRole('button', { name, exact }).first())
  }
  async type(text) {
    this.keys += text.length
    await this.page.keyboard.type(text)
  }
  async press(key) {
    this.keys++
    await this.page.keyboard.press(key)
  }
  async pick(label, option) {
    await this.click(this.page.getByRole('combobox', { name: label }).first())
    await this.click(this.page.getByRole('option', { name: option }).first())
  }
}

async function task(what, before, logbook, deed) {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  // The machine's own clock would tell that this one is moved.
  await page.route('**/api/clock', (route) => route.abort())
  await page.clock.install()
  if (logbook) {
    await page.goto(`${base}/files`)
    const file = {
      name: 'logbook.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(logbook)),
    }
    await page.locator('input[type=file]').first().setInputFiles(file)
    await page.getByRole('button', { name: 'Merge it in' }).click()
    await page.getByText('The file was merged').waitFor()
  }
  const hand = new Hand(page)
  const per = await deed(hand, page)
  const each = per > 1 ? `, ${(hand.clicks / per).toFixed(1)} and ${(hand.keys / per).toFixed(1)} each` : ''
  console.log(`  ${what.padEnd(44)} ${hand.clicks} clicks, ${hand.keys} keys${each} (before: ${before})`)
  await page.context().close()
}

const device = (i) => ({
  id: `d${i}`,
  name: `Skerry P${i}`,
  kind: 'phone',
  capacityWh: 15,
  healthPercent: 100,
  maxWatts: 20,
})
const source = (i) => ({
  id: `s${i}`,
  name: `Hawser ${20 + i}`,
  kind: 'wall charger',
  ratedWatts: 20,
  ports: [{ name: 'C', offers: [{ kind: 'fixed', volts: 9, amps: 2.22 }] }],
})
const shelf = (devices, sources) => ({
  format: 'inkpath-logbook',
  schemaVersion: 2,
  runs: [],
  devices: Array.from({ length: devices }, (_, i) => device(i + 1)),
  sources: Array.from({ length: sources }, (_, i) => source(i + 1)),
})

try {
  console.log('Clicks and keys:')
  await task('a shelf of one phone and five sources', '30 clicks, 86 keys', null, async (hand, page) => {
    await page.goto(`${base}/shelf`)
    await hand.button('Add a device')
    await page.getByLabel('Name').and(page.locator(':focus')).waitFor()
    await hand.type('P5')
    await hand.button('Put on the shelf')
    for (const name of ['A5', 'B12', 'C20', 'D30', 'E65']) {
      await hand.button('Add a source')
      await page.getByLabel('Name').and(page.locator(':focus')).waitFor()
      await hand.type(name)
      await hand.click(page.getByLabel('Rated'))
      await hand.type(name.slice(1))
      await hand.press('Enter')
      await page.getByRole('button', { name: `Edit ${name}` }).waitFor()
    }
    return 1
  })
  await task(
    'the next five of six runs, set up',
    '14 clicks, 18 to 24 keys each',
    shelf(1, 6),
    async (hand, page) => {
      await page.goto(`${base}/bench`)
      const uncounted = new Hand(page)
      await page.getByLabel('Start level').fill('5')
      await uncounted.button('Start the clock')
      for (let run = 0; run < 5; run++) {
        await page.getByTestId('elapsed').waitFor()
        await page.clock.fastForward(60_000)
        await uncounted.button('Stop this run')
        await uncounted.button('Stop and keep')
        await page.getByTestId('sentence').waitFor()
        await hand.click(page.getByRole('link', { name: 'Bench' }))
        await page.getByLabel('Start level').and(page.locator(':focus')).waitFor()
        await hand.type('5')
        await hand.press('Enter')
      }
      await page.getByTestId('elapsed').waitFor()
      return 5
    },
  )
  await task(
    'three phones on one strip, at own minutes',
    '23 clicks, 96 keys',
    shelf(3, 3),
    async (hand, page) => {
      await page.goto(`${base}/bench`)
      for (let lane = 0; lane < 3; lane++) {
        if (lane > 0) await page.getByLabel('Start level').and(page.locator(':focus')).waitFor()
        if (lane === 0) {
          await hand.button('own minutes')
          await hand.click(page.getByRole('group', { name: 'Read every' }).getByLabel('At minutes'))
          await hand.type('5,10,15,20,30')
          await hand.click(page.getByLabel('Start level'))
        }
        await hand.type('5')
        await hand.button('Put it on the strip')
        if (lane < 2) await hand.button('Add a lane')
      }
      await hand.button('Power on')
      await page.getByTestId('elapsed').nth(2).waitFor()
      return 1
    },
  )
  await task('a survey of ten', 'not counted', shelf(1, 10), async (hand, page) => {
    await page.goto(`${base}/bench/survey`)
    await page.getByLabel('Volts and amperes').focus()
    for (let i = 0; i < 10; i++) {
      await hand.press('Enter')
      await page.clock.fastForward(20_000)
      await hand.type('9 2.1')
      await hand.press('Enter')
      await page.clock.fastForward(15_000)
      await hand.type('9 2.1')
      await hand.press('Enter')
      await page.getByText('Settled:').waitFor()
      await hand.press('Enter')
      await page.getByText(`Hawser ${21 + i} is on record.`).waitFor()
    }
    return 10
  })
  await task('a spot check of three, by the count', 'not counted', shelf(1, 3), async (hand, page) => {
    await page.goto(`${base}/bench/spot`)
    for (const count of ['0.42', '1.63', '0.91']) {
      await page.getByLabel('Start level').and(page.locator(':focus')).waitFor()
      await hand.type('20')
      await hand.press('Enter')
      await page.getByLabel('The meter’s count').and(page.locator(':focus')).waitFor()
      await page.clock.fastForward(300_000)
      await hand.type(count)
      await hand.press('Enter')
      await page.getByText('is on record').last().waitFor()
    }
    await page.getByTestId('spot-table').getByRole('row').nth(3).waitFor()
    return 3
  })
  const readByHand = (what, withWatts) =>
    task(what, '195 to 397 keys each', shelf(1, 5), async (hand, page) => {
      await page.goto(`${base}/bench`)
      for (let run = 0; run < 5; run++) {
        const level = page.getByLabel('Start level')
        await level.waitFor()
        if (run === 0) await hand.click(level)
        else await level.and(page.locator(':focus')).waitFor()
        await hand.type('5')
        await hand.press('Enter')
        await page.getByTestId('elapsed').waitFor()
        // 5 % to 95 % in 90 minutes, five points and some watts each time; the display is watched as it turns full.
        for (let percent = 10; percent <= 95; percent += 5) {
          await page.clock.fastForward(300_000)
          await page.getByLabel('Level').and(page.locator(':focus')).waitFor()
          const watts = (20 - percent / 8).toFixed(1)
          await hand.type(withWatts ? `${percent} ${watts}` : `${percent}`)
          // The field of the watts is passed over.
          if (!withWatts) await hand.press('Enter')
          await hand.press('Enter')
          await page
            .getByRole('status')
            .filter({ hasText: new RegExp(`Noted at .*: ${percent}\\s%`) })
            .waitFor()
        }
        await page.clock.fastForward(200_000)
        await hand.press('f')
        await page.getByText('The display shows 100 %').first().waitFor()
        await hand.button('Stop this run')
        await hand.button('Stop and keep')
        await page.getByTestId('sentence').waitFor()
        if (run < 4) await hand.click(page.getByRole('link', { name: 'Bench' }))
      }
      return 5
    })
  await readByHand('five sources, every 5 min to 100 %, level alone', false)
  await readByHand('five sources, every 5 min, level and watts', true)
} finally {
  await close()
}
