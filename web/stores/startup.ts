import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { readLogbook, writeLogbook } from '@core/formats/logbookJson'
import { loadSession, saveSession } from '../storage/benchSession'
import { readNote, type Note } from '../storage/note'
import { copiedSession, copyMark } from '../storage/secondCopy'
import type { Recoverable } from '../storage/recovery'
import { useAnalyses } from './analyses'
import { useBench } from './bench'
import { useCopies } from './copies'
import { useLogbook } from './logbook'
import { useStrip } from './strip'
import { useSettings } from './settings'

/** What the store should hold by the note, what it does, and what the second copy could bring back. */
export interface Loss {
  /** Null where the note is gone as well, and only the copy tells. */
  note: Note | null
  runs: number
  lanes: number
  found: Recoverable
}

/** Hardly ever needed, so it comes when it is. */
const recovery = () => import('../storage/recovery')

/** What happens once when the program opens. */
export const useStartup = defineStore('startup', () => {
  const demoAvailable = ref(false)
  /** The store holds less than it should: nothing is shown as if it were all before the reviewer has decided. */
  const loss = shallowRef<Loss | null>(null)
  /** It is known whether anything was lost: an empty logbook is not shown as one before. */
  const decided = ref(false)
  const logbook = useLogbook()
  const bench = useBench()

  async function openDemo() {
    const response = await fetch('/api/demo-logbook')
    if (!response.ok) throw new Error('The demo logbook is not there; start the program with "npm run demo".')
    const demo = readLogbook(await response.text())
    // Its plan lies ahead on whatever day it is looked at. Asked for when it is wanted: hardly anybody opens it twice.
    const [{ aheadOf }, { settledRuns }] = await Promise.all([
      import('@core/plan/ahead'),
      import('@core/plan/progress'),
    ])
    const made = demo.runs.map(({ run }) => run)
    const campaigns = demo.campaigns.map((c) => aheadOf(c, new Date(), settledRuns(c, made, new Set())))
    await logbook.takeLogbook({ ...demo, campaigns }, 'merge')
    void useAnalyses().fill()
  }

  async function begin() {
    await useSettings()
      .load()
      .catch(() => undefined)
    await logbook.load()
    if (logbook.state !== 'ready') return
    try {
      loss.value = await lookForLoss()
    } finally {
      decided.value = true
    }
    if (!loss.value && logbook.state === 'ready') await goOn(true)
  }

  /**
   * The store is written before its note and its copy, so that one read after them is behind them only if it lost
   * something. The logbook was read before, to be shown soon: where it seems to be behind, another tab may have written
   * meanwhile, and it is read once more.
   */
  async function lookForLoss(): Promise<Loss | null> {
    const note = readNote()
    const [mark, copied] = await Promise.all([
      copyMark().catch(() => null),
      copiedSession().catch(() => null),
    ])
    const isOlder = () => [note, mark].some(logbook.isOlderThan)
    if (isOlder()) await logbook.load()
    if (logbook.state !== 'ready') return null
    const { lanes, number } = await loadSession()
    const isBenchOlder = Math.max(note?.session ?? 0, copied?.number ?? 0) > number
    if (!isOlder() && !isBenchOlder) return null
    return {
      note,
      runs: logbook.runs.length,
      lanes: lanes.length,
      found: await (await recovery()).lookForCopy(),
    }
  }

  /** Everything is known to be there, or the reviewer has said how to go on. */
  async function goOn(mayOpenDemo: boolean) {
    logbook.settle()
    await bench.resume()
    await useStrip().load()
    await useCopies().load()
    const start = await fetch('/api/start').then(
      (r) => r.json(),
      () => ({}),
    )
    demoAvailable.value = start.demoAvailable === true
    if (mayOpenDemo && start.demo && logbook.isEmpty && !bench.lanes.length) await openDemo()
    void useAnalyses().fill()
  }

  /** Brings back what the second copy holds, on top of what is here. */
  async function bringBack() {
    const found = loss.value?.found
    if (found?.copied) await logbook.takeLogbook(found.copied.logbook, 'merge')
    await (await recovery()).bringBenchBack((runId) => logbook.run(runId) !== undefined)
    loss.value = null
    await goOn(false)
  }

  /** Goes on with what is here; the note now says so. */
  async function leaveLoss() {
    loss.value = null
    const session = await loadSession()
    await saveSession({ ...session, number: Math.max(session.number, readNote()?.session ?? 0) + 1 })
    await goOn(false)
  }

  /** The second copy as a file that can be brought in anywhere; null where there is none. */
  async function copyAsText(): Promise<string | null> {
    const { copied } = loss.value?.found ?? (await (await recovery()).lookForCopy())
    return copied ? writeLogbook(copied.logbook, copied.at) : null
  }
  return { demoAvailable, loss, decided, begin, openDemo, bringBack, leaveLoss, copyAsText }
})
