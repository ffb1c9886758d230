import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { readFileSync, writeFileSync } from 'node:fs'
import { takeIn, withRuns } from './fixture'
import { go, openDemo, pick } from './steps'

const HOSTILE = [
  '# We fitted **two** boats',
  '',
  '<img src=x onerror="document.title=1"> <script>document.title = "run"</script>',
  '',
  '[a link](javascript:document.title=1) and [another](https://example.org)',
].join('\n')

test('a comparison is written up, with own words that outlive the figures, and goes out as a page that needs nothing', async ({
  page,
  browser,
}, info) => {
  await openDemo(page)
  await go(page, '/side-by-side?runs=demo-2,demo-3,demo-4,demo-5,demo-7')
  await page.getByRole('button', { name: 'Write it up' }).click()
  const blocks = page.getByTestId('blocks')
  await expect(blocks.getByRole('heading', { name: 'How it was done' })).toBeVisible()
  await expect(blocks).toContainText('All of these runs are simulated')
  const words = page.getByRole('textbox', { name: 'Own words' })
  await words.fill(HOSTILE)
  await words.blur()
  await expect(blocks.getByRole('heading', { name: 'We fitted two boats' })).toBeVisible()
  expect(await page.title()).toContain('Inkpath Log')
  await expect(blocks.locator('img, script, a[href^="javascript"]')).toHaveCount(0)

  // A block goes up by keys and stays there.
  await blocks.locator('[data-kind=how]').getByRole('button', { name: /up$/ }).focus()
  await page.keyboard.press('Alt+ArrowUp')
  await expect(
    blocks
      .getByRole('listitem')
      .filter({ has: page.getByRole('button', { name: /up$/ }) })
      .nth(1),
  ).toContainText('How it was done')
  await page.reload()
  await expect(blocks.locator(':scope > li').nth(1)).toContainText('How it was done')
  // Dragged below the next block, and back by its button.
  const how = blocks.locator('[data-kind=how]')
  // Both ends must be on the screen.
  await page.setViewportSize({ width: 1280, height: 2200 })
  const grip = (await how.locator('.grip').boundingBox())!
  const below = (await blocks.locator(':scope > li').nth(2).boundingBox())!
  await page.mouse.move(grip.x + 8, grip.y + 8)
  await page.mouse.down()
  await page.mouse.move(grip.x + 14, grip.y + 20, { steps: 4 })
  await page.mouse.move(grip.x + 14, below.y + below.height / 2, { steps: 10 })
  await page.mouse.move(grip.x + 14, below.y + below.height - 4, { steps: 6 })
  await page.mouse.up()
  await page.setViewportSize({ width: 1280, height: 720 })
  await expect(blocks.locator(':scope > li').nth(2)).toHaveAttribute('data-kind', 'how')
  await how.getByRole('button', { name: /up$/ }).click()
  await expect(blocks.locator(':scope > li').nth(1)).toHaveAttribute('data-kind', 'how')
  await expect(blocks.locator('[data-kind=parts]')).toContainText(/hold.*\d.W/s)
  // What is called out in a picture stands in its table too.
  const power = blocks.locator('[data-kind=power]')
  const [minute, watts] = await power
    .getByRole('row', { name: /^Bollard 12/ })
    .first()
    .locator('td')
    .allInnerTexts()
  await expect(power.locator('svg text', { hasText: `${minute}, ${watts}` })).toHaveCount(1)
  await expect(blocks.locator('[data-kind=grid]')).toContainText('charges')

  // Out as a page: opened from disk with the network cut, usable by all, with the figures of the screen.
  await expect(blocks.getByRole('heading', { name: 'Times', exact: true })).toBeVisible()
  // On paper stands the page, not the program around it.
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('heading', { level: 1 })).toBeInViewport()
  for (const gone of ['Shelf', 'How it works out its numbers'])
    await expect(page.getByRole('link', { name: gone, exact: true })).toBeHidden()
  await expect(page.getByRole('button', { name: 'Markdown' }).first()).toBeHidden()
  await page.emulateMedia({ media: null })
  const saving = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Take it as a page' }).click()
  const html = readFileSync(await (await saving).path(), 'utf8')
  const path = info.outputPath('page.html')
  writeFileSync(path, html)
  const context = await browser.newContext({ offline: true })
  const other = await context.newPage()
  const asked: string[] = []
  other.on('request', (r) => asked.push(r.url()))
  await other.goto(`file://${path}`)
  expect(asked).toHaveLength(1)
  expect(await other.title()).not.toBe('run')
  const table = (of: typeof page) => of.getByRole('table').filter({ hasText: 'to 50 %' }).innerText()
  const squeezed = (text: string) => text.replace(/\s+/g, ' ')
  expect(squeezed(await table(other))).toBe(squeezed(await table(page)))
  await expect(other.locator('svg').first()).toContainText('Hawser 30')
  await expect(other.getByText('simulated', { exact: true }).first()).toBeVisible()
  expect((await new AxeBuilder({ page: other as never }).setLegacyMode(true).analyze()).violations).toEqual(
    [],
  )
  await context.close()

  // One run less: the words stay, and say which figures they were not written about.
  await page.getByRole('link', { name: 'Change the comparison' }).click()
  await expect(page.getByTestId('verdict')).toBeVisible()
  await page.goto(page.url().replace(/demo-3(%2C|,)/, ''))
  await page.getByRole('link', { name: 'Back to the write-up' }).click()
  await expect(page.getByTestId('words-changed')).toContainText('To full')
  await page.getByRole('button', { name: 'The words still hold' }).click()
  await expect(page.getByTestId('words-changed')).toHaveCount(0)
  await go(page, '/write-up')
  await page.getByRole('link', { name: /^To full/ }).click()
  await expect(blocks.getByRole('heading', { name: 'We fitted two boats' })).toBeVisible()

  const seen = await new AxeBuilder({ page })
    .setLegacyMode(true)
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    .analyze()
  expect(seen.violations.map((v) => `${v.id}: ${v.nodes[0].html}`)).toEqual([])
  // Pictures and a script.
  for (const [button, ending] of [
    ['PNG', '.png'],
    ['SVG', '.svg'],
    ['Spreadsheet', '.xlsx'],
    ['Script to be spoken', '.txt'],
    ['Markdown', '.md'],
  ]) {
    const file = page.waitForEvent('download')
    await page.getByRole('button', { name: button, exact: true }).first().click()
    const taken = await file
    expect(taken.suggestedFilename()).toContain(ending)
    expect(readFileSync(await taken.path()).length).toBeGreaterThan(200)
  }
})

test('the data behind a write-up show the same figures in another browser; a changed trace is found', async ({
  page,
  browser,
}) => {
  await openDemo(page)
  await go(page, '/side-by-side?runs=demo-3,demo-4,demo-5&worth=7')
  await page.getByRole('button', { name: 'Write it up' }).click()
  await expect(page.getByTestId('blocks')).toContainText('How it was done')
  // Words that are left for the very button that changes the write-up besides: both are kept.
  await page.getByRole('textbox', { name: 'Own words' }).fill('Typed in haste.')
  const saving = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Data (zip)' }).click()
  await pick(page, 'Others may use them under', /CC-BY-4\.0/)
  await page.getByRole('button', { name: 'Take them (zip)' }).click()
  const zip = readFileSync(await (await saving).path())
  await expect(page.getByTestId('published')).toContainText(/All \d+ figures are as they were/)

  await page.reload()
  await expect(page.getByRole('textbox', { name: 'Own words' })).toHaveValue('Typed in haste.')

  const other = await (await browser.newContext()).newPage()
  const give = (buffer: Buffer) =>
    other
      .locator('input[type=file]')
      .first()
      .setInputFiles({ name: 'data.zip', mimeType: 'application/zip', buffer })
  await other.goto(new URL('/files', page.url()).href)
  // One reading of one trace is another.
  const files = unzipSync(zip)
  const trace = strFromU8(files['traces/run-1.csv'])
  const changed = zipSync({ ...files, 'traces/run-1.csv': strToU8(trace.replace(/\r\n5,/, '\r\n6,')) })
  await give(Buffer.from(changed))
  await expect(other.getByTestId('checksums')).toContainText(
    'Changed since it was written, by its checksums: traces/run-1.csv',
  )
  await give(zip)
  await expect(other.getByTestId('checksums')).toContainText('files are as they were written')
  await other.getByRole('button', { name: 'Merge it in' }).click()
  await other.getByRole('link', { name: 'Write-up' }).first().click()
  await other.getByRole('link', { name: /^To full/ }).click()
  await expect(other.getByTestId('published')).toContainText(/All \d+ figures are as they were/)
  await other.context().close()
})

test('own words are kept while they are typed, and two tabs that write the same block lose none', async ({
  page,
  context,
}) => {
  await takeIn(page, withRuns(2))
  await go(page, '/side-by-side?runs=r0,r1')
  await page.getByRole('button', { name: 'Write it up' }).click()
  const words = (tab: Page) => tab.getByRole('textbox', { name: 'Own words' })
  await words(page).fill('Begun here.')
  const other = await context.newPage()
  await other.goto(page.url())
  // The first never left its field.
  await expect(words(other)).toHaveValue('Begun here.')
  await words(other).fill('Begun here, gone on there.')
  // Typed before the other's words can have come: both are there, and neither has been stored over the other.
  await page.bringToFront()
  await words(page).fill('Begun here, and gone on here.')
  await other.bringToFront()
  await words(other).blur()
  await page.bringToFront()
  const asks = (tab: Page) => tab.getByText('Another tab wrote other words here')
  await expect.poll(async () => (await asks(page).count()) + (await asks(other).count())).toBe(1)
  const asked = (await asks(page).count()) ? page : other
  await asked.bringToFront()
  await asked.getByRole('button', { name: 'Keep both' }).click()
  const unasked = asked === page ? other : page
  await expect(words(unasked)).toHaveValue(/gone on there/)
  await expect(words(unasked)).toHaveValue(/gone on here/)
})
