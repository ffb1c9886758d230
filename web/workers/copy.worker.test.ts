import { beforeEach, expect, it, vi } from 'vitest'
import { columnOfPart, partsOf } from '@core/trace/parts'
import type { CopyWork } from './copy.worker'

/** The browser's private file system in memory, with room that runs out when a test says so. */
class MemoryFile {
  text = ''
  full = false
  getFile = async () => ({ text: async () => this.text })
  createWritable = async () => {
    let next = ''
    return { write: async (t: string) => void (next += t), close: async () => void (this.text = next) }
  }
  createSyncAccessHandle = async () => ({
    getSize: () => this.text.length,
    truncate: (size: number) => void (this.text = this.text.slice(0, size)),
    write: (data: Uint8Array, { at }: { at: number }) => {
      const whole = new TextDecoder().decode(data)
      const fits = this.full ? whole.slice(0, 5) : whole
      this.text = this.text.slice(0, at) + fits
      return fits.length
    },
    flush: () => undefined,
    close: () => undefined,
  })
}
class MemoryFolder {
  files = new Map<string, MemoryFile>()
  folders = new Map<string, MemoryFolder>()
  getDirectoryHandle = async (name: string, { create = false } = {}) => {
    if (!this.folders.has(name) && !create) throw new DOMException('none', 'NotFoundError')
    if (!this.folders.has(name)) this.folders.set(name, new MemoryFolder())
    return this.folders.get(name)!
  }
  getFileHandle = async (name: string, { create = false } = {}) => {
    if (!this.files.has(name) && !create) throw new DOMException('none', 'NotFoundError')
    if (!this.files.has(name)) this.files.set(name, new MemoryFile())
    return this.files.get(name)!
  }
}

const exposed = vi.hoisted(() => ({ work: undefined as unknown }))
vi.mock('comlink', () => ({ expose: (work: unknown) => (exposed.work = work) }))

let copy: CopyWork
let disk: MemoryFolder
const failures: string[] = []
beforeEach(async () => {
  vi.useFakeTimers()
  vi.resetModules()
  failures.length = 0
  disk = new MemoryFolder()
  vi.stubGlobal('navigator', { storage: { getDirectory: async () => disk } })
  await import('./copy.worker')
  copy = exposed.work as CopyWork
  await copy.begin((reason) => void failures.push(reason))
})
const mark = (revision: number) => ({ number: 1, revision, at: '2026-03-02T19:00:00Z' })

it('moves its mark with every record, and leaves it where it missed one, so that the next start mends it', async () => {
  await copy.setMark(mark(4))
  await copy.moveMark(mark(5))
  expect((await copy.mark())?.revision).toBe(5)
  // Record 6 was refused and never copied.
  await copy.moveMark(mark(7))
  await copy.moveMark(mark(8))
  expect((await copy.mark())?.revision).toBe(5)
})

it('loses no line of a journal that it could not add at once, of this lane or another', async () => {
  const bench = await (await disk.getDirectoryHandle('inkpath-log', { create: true })).getDirectoryHandle('bench', { create: true }) // prettier-ignore
  const [x, y] = await Promise.all(
    ['x.jsonl', 'y.jsonl'].map((name) => bench.getFileHandle(name, { create: true })),
  )
  x.full = true
  copy.addLine('x', '[0,{"kind":"take-back"}]')
  copy.addLine('y', '[0,{"kind":"take-back"}]')
  await vi.advanceTimersByTimeAsync(600)
  expect(failures).toEqual(['the private files are full'])
  expect([x.text, y.text]).toEqual(['', '[0,{"kind":"take-back"}]\n'])
  x.full = false
  copy.addLine('x', '[1,{"kind":"take-back"}]')
  await vi.advanceTimersByTimeAsync(600)
  expect(x.text).toBe('[0,{"kind":"take-back"}]\n[1,{"kind":"take-back"}]\n')
})

it('writes a run whose readings come column by column just as one that comes whole', async () => {
  const trace = { time: Float64Array.of(0, 60), percent: Float64Array.of(5, NaN), temperatures: { back: Float64Array.of(21, 22) } } // prettier-ignore
  await copy.put(1, 'runs', { id: 'whole' }, trace)
  for (const name of partsOf(trace)) copy.part('t', name, columnOfPart(trace, name))
  await copy.put(1, 'runs', { id: 'parts' }, 't')
  const [edition] = [...disk.folders.get('inkpath-log')!.folders.values()]
  const written = (id: string) => JSON.parse(edition.folders.get('runs')!.files.get(id)!.text) as object
  expect(written('whole')).toMatchObject({ id: 'whole', trace: { time: [0, 60], percent: [5, null] } })
  expect(written('parts')).toEqual({ ...written('whole'), id: 'parts' })
  // They are handed out once: no other run gets them as its own.
  await expect(copy.put(1, 'runs', { id: 'again' }, 't')).rejects.toThrow('did not arrive')
  expect(edition.folders.get('runs')!.files.has('again')).toBe(false)
})
