import { mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import {
  chromium,
  expect,
  test,
  type BrowserContext,
  type LaunchOptions,
  type Locator,
  type Page,
} from '@playwright/test'

/** With `LOSE_ALL=1` every kill costs the browser its database as well. */
export const LOSE_ALL = Boolean(process.env.LOSE_ALL)

/** A browser with a profile of its own on disk, which can be killed and started again. */
export class KilledBrowser {
  private readonly profile = mkdtempSync(join(tmpdir(), 'inkpath-profile-'))
  private context: BrowserContext | undefined
  constructor(
    private readonly options: LaunchOptions,
    private readonly baseURL: string,
  ) {}

  async start(): Promise<Page> {
    this.context = await chromium.launchPersistentContext(this.profile, {
      ...this.options,
      baseURL: this.baseURL,
      viewport: { width: 1280, height: 800 },
    })
    return this.context.newPage()
  }

  /** Another tab of the same browser. */
  tab = (): Promise<Page> => this.context!.newPage()

  /** SIGKILL to the browser's main process: nothing is flushed, nobody says goodbye. */
  async kill(): Promise<void> {
    const context = this.context!
    const session = await context.browser()!.newBrowserCDPSession()
    const { processInfo } = await session.send('SystemInfo.getProcessInfo')
    const { id } = processInfo.find((p) => p.type === 'browser')!
    const gone = new Promise((resolve) => context.once('close', resolve))
    process.kill(id, 'SIGKILL')
    await gone
  }

  /** What a browser does that finds its database damaged. */
  deleteDatabase(): void {
    const folder = join(this.profile, 'Default', 'IndexedDB')
    for (const name of readdirSync(folder)) rmSync(join(folder, name), { recursive: true, force: true })
  }

  async end(): Promise<void> {
    await this.context?.close().catch(() => undefined)
    rmSync(this.profile, { recursive: true, force: true })
  }
}

/**
 * Waits for the program to be back after a kill. Chromium throws a database away that it takes for damaged: that is the
 * browser's doing, and the program must miss it, and bring everything back from its second copy.
 * @param sign what is seen once it is back
 * @param number the edition's before: where the store has come as far, it was not the browser that lost what is missing
 */
export async function isBack(page: Page, sign: Locator, number: number): Promise<void> {
  const missing = page.getByRole('heading', { name: 'Something is missing' })
  await expect(sign.or(missing).first()).toBeVisible()
  if (!(await missing.isVisible())) return
  expect((await readStorage(page)).number).toBeLessThan(number)
  await page.getByRole('button', { name: 'Bring the second copy back' }).click()
  await expect(missing).toHaveCount(0)
  await expect(sign.first()).toBeVisible()
  console.log(`${test.info().title}: the browser lost its database in the kill, and the copy brought it back`)
}

/**
 * Waits until the second copy stands beside the store: seconds after a merge, and nobody is promised more. Gives back
 * the number of the edition.
 */
export async function copied(page: Page): Promise<number> {
  const { number } = await readStorage(page)
  const inCopy = () =>
    page.evaluate(async () => {
      const root = await navigator.storage.getDirectory()
      const mine = await root.getDirectoryHandle('inkpath-log')
      const mark = await (await mine.getFileHandle('current.json')).getFile()
      return (JSON.parse(await mark.text()) as { number: number }).number
    })
  await expect.poll(() => inCopy().catch(() => null)).toBe(number)
  return number
}

export interface StoredRun {
  id: string
  percents: number[]
  corrections: { row: number; to: number | null }[]
}

/** What the browser's storage holds, read past the program: runs with their readings, and what lies loose. */
export const readStorage = (page: Page) =>
  page.evaluate(async () => {
    const open = indexedDB.open('inkpath-log')
    const db = await new Promise<IDBDatabase>((resolve) => (open.onsuccess = () => resolve(open.result)))
    const all = (store: string) =>
      new Promise<Map<string, never>>((resolve) => {
        const there = db.transaction(store).objectStore(store)
        const [keys, values] = [there.getAllKeys(), there.getAll()]
        values.onsuccess = () =>
          resolve(new Map(keys.result.map((key, i) => [String(key), values.result[i] as never])))
      })
    const meta = await all('meta')
    const pointer = meta.get('pointer') as unknown as {
      edition: string
      number: number
      previous: string | null
    }
    const current = await all(`edition-${pointer.edition}`)
    const others = await Promise.all(['a', 'b', 'c'].map((name) => all(`edition-${name}`)))
    const traces = await all('traces')
    const journal = await all('journal')
    db.close()
    const runs = [...current]
      .filter(([key]) => key.startsWith('runs/'))
      .map(([, e]) => e as unknown as { item: StoredRun; trace: string })
    const used = new Set(others.flatMap((one) => [...one]).map(([, e]) => (e as { trace?: string }).trace))
    interface StoredRun {
      id: string
      corrections: { row: number; to: number | null }[]
    }
    // By number of line: a fold that was cut off leaves a block and its lines side by side.
    const lines: Record<string, Map<number, { readings?: { t: number }[] }>> = {}
    for (const [key, value] of journal) {
      const [runId, name] = key.split('/')
      const mine = (lines[runId] ??= new Map())
      const first = name.startsWith('block-') ? Number(name.slice(6)) * 256 : Number(name)
      ;(Array.isArray(value) ? value : [value]).forEach((line: never, i) => mine.set(first + i, line))
    }
    const times = Object.values(lines).map((mine) =>
      [...mine.values()].flatMap((line) => (line.readings ?? []).map((r) => r.t)),
    )
    return {
      runs: runs.map(({ item, trace }) => ({
        id: item.id,
        percents: Array.from(
          (traces.get(trace) as unknown as { percent?: Float64Array } | undefined)?.percent ?? [],
        ),
        corrections: item.corrections,
      })),
      number: pointer.number,
      records: current.size,
      /** Runs that point to readings which are not there. */
      torn: runs.filter(({ trace }) => !traces.has(trace)).length,
      /** Readings that nothing points to: swept at the next start. */
      loose: [...traces.keys()].filter((key) => !used.has(key)).length,
      journals: times.map((t) => t.sort((a, b) => a - b)),
      session: ((meta.get('bench') as { lanes?: unknown[] } | undefined)?.lanes ?? []).length,
    }
  })
