import { expose, transfer } from 'comlink'
import { previewOf, type Preview } from '@core/analysis/preview'
import { encodingOf, isOneByte, ONE_BYTE } from '@core/formats/encoding'
import { isObjectLines } from '@core/formats/paired'
import { isOwnTable, type ColumnMeaning } from '@core/formats/columns'
import { guessColumns } from '@core/formats/guessColumns'
import { shapeOf } from '@core/formats/shape'
import { workbookTables, type Sheet } from '@core/formats/workbook'
import { callTables } from '@core/formats/recordings'
import { wideColumns, wideTraces, type WideRun } from '@core/formats/wide'
import { readDataPackage, type ReadPackage } from '@core/formats/dataPackage'
import { UnreadableFile } from '@core/formats/problem'
import type { Progress, Table } from '@core/formats/table'
import { readTraceTables, traceFromTable, type TraceReadResult } from '@core/formats/traceCsv'
import { columnsOf, durationOf } from '@core/trace/trace'
import { sha256 } from './sha256'
import type { ZipContents } from './zipContents'

/** An outcome that survives the trip between threads, where error classes do not. */
export type Outcome<T> =
  { ok: true; value: T } | { ok: false; message: string; problems: UnreadableFile['problems'] }

function outcome<T>(work: () => T): Outcome<T> {
  try {
    return { ok: true, value: work() }
  } catch (error) {
    const problems = error instanceof UnreadableFile ? error.problems : []
    return { ok: false, message: (error as Error).message, problems }
  }
}

/** What a screen is told of a table: its first rows. The table itself stays here, however many rows it has. */
export interface OpenedTable {
  /** What tells it from the others of its file; '' where it is alone. */
  called: string
  headers: string[]
  rows: Table['rows']
  meanings: ColumnMeaning[]
  /** Written by our own contract: nothing needs asking. */
  own: boolean
  /** Columns that may each be a charger's, by position. */
  wide: number[]
  /** What a page of notes says above its readings; '' of any other. */
  words: string
}

/** A trace as it was read, and what is shown of it before it is kept. */
export type ReadRecord = TraceReadResult & { preview: Preview }

/** A run of a table with columns of several chargers: its path, and what could not be read of it. */
export type WidePreview = Pick<Preview, 'points' | 'unit'> &
  Pick<TraceReadResult, 'problems' | 'assumed'> & { lastS: number }

const SHOWN_ROWS = 50
/** Shares of the work: reading the file, cutting it into cells, reading the columns. */
const [READ, CUT] = [0.15, 0.65]
let table: Table | undefined
/** The tables of a file that holds several: it is read once, however many of them are brought in. */
let held: { file: string; tables: Table[] } | undefined
const keyOf = (file: File): string => `${file.name} ${file.size} ${file.lastModified}`

/** A file's text, read piece by piece. */
async function textOf(file: Blob, onProgress: Progress): Promise<string> {
  const head = new Uint8Array(await file.slice(0, 4096).arrayBuffer())
  const text = await decoded(file, encodingOf(head), onProgress)
  return isOneByte(text) ? decoded(file, ONE_BYTE, onProgress) : text
}

async function decoded(file: Blob, encoding: string, onProgress: Progress): Promise<string> {
  const decoder = new TextDecoder(encoding)
  const reader = file.stream().getReader()
  const pieces: string[] = []
  let read = 0
  for (;;) {
    const { done, value } = await reader.read()
    if (done) break
    pieces.push(decoder.decode(value, { stream: true }))
    read += value.length
    onProgress(READ * (read / file.size))
  }
  return pieces.join('') + decoder.decode()
}

/** Spreadsheets and data packages are zips: they begin with these letters. */
async function isZip(file: Blob): Promise<boolean> {
  const [p, k, three, four] = new Uint8Array(await file.slice(0, 4).arrayBuffer())
  return p === 0x50 && k === 0x4b && three === 3 && four === 4
}

/** A spreadsheet is opened whole, and unpacks to many times its size, bytes. */
const LARGEST_SHEET = 40 * 1024 * 1024
const MOST_OF_SHEET = 512 * 1024 * 1024
/** Nor does a package unpack to more than this, bytes: what claims more is not opened. */
const MOST_OF_PACKAGE = 1024 * 1024 * 1024

/** The tables of a spreadsheet. */
async function sheetsOf(
  file: Blob,
  zip: Uint8Array,
  { names, unpackedBytes }: ZipContents,
): Promise<Sheet[]> {
  if (file.size > LARGEST_SHEET || unpackedBytes > MOST_OF_SHEET)
    throw new Error(
      'This spreadsheet is too large to be opened whole. Save its sheet as CSV, and bring that in.',
    )
  if (names.includes('content.xml')) return openDocumentOf(zip)
  try {
    const { default: readSheets } = await import('read-excel-file/web-worker')
    return (await readSheets(file)) as Sheet[]
  } catch (error) {
    throw new Error(
      `This spreadsheet could not be read (${(error as Error).message}). Save its sheet as CSV, and bring that in.`,
      { cause: error },
    )
  }
}

/** The sheets of a spreadsheet in the OpenDocument format. */
async function openDocumentOf(zip: Uint8Array): Promise<Sheet[]> {
  const { unzipSync, strFromU8 } = await import('fflate')
  const { openDocumentSheets } = await import('@core/formats/openDocument')
  const { 'content.xml': content } = unzipSync(zip, { filter: ({ name }) => name === 'content.xml' })
  return openDocumentSheets(strFromU8(content))
}

/** A data package of ours. */
async function packageOf(zip: Uint8Array, unpackedBytes: number): Promise<Outcome<ReadPackage>> {
  const refused = (message: string) => ({ ok: false as const, message, problems: [] })
  if (unpackedBytes > MOST_OF_PACKAGE) return refused('The package unpacks to more than any logbook of ours.')
  const { unzipSync, strFromU8 } = await import('fflate')
  try {
    const files = Object.fromEntries(
      Object.entries(unzipSync(zip)).map(([name, data]) => [name, strFromU8(data)]),
    )
    return { ok: true, value: await readDataPackage(files, sha256) }
  } catch (error) {
    return refused((error as Error).message)
  }
}

/** A zip is a data package of ours, or else a spreadsheet. */
async function unzipped(file: Blob): Promise<{ package: Outcome<ReadPackage> } | { sheets: Sheet[] }> {
  const zip = new Uint8Array(await file.arrayBuffer())
  const { zipContents } = await import('./zipContents')
  const contents = zipContents(zip) ?? { names: [], unpackedBytes: 0 }
  return contents.names.includes('datapackage.json')
    ? { package: await packageOf(zip, contents.unpackedBytes) }
    : { sheets: await sheetsOf(file, zip, contents) }
}

/** A table that was found, as the screen is told of it. */
function openedTable(found: Table, called: string, known: Record<string, ColumnMeaning[]>): OpenedTable {
  const { headers, rows } = found
  const before = known[shapeOf(headers)]
  const meanings = before?.length === headers.length ? before : guessColumns(found)
  return {
    called,
    headers,
    rows: rows.slice(0, SHOWN_ROWS),
    meanings,
    own: isOwnTable(found),
    wide: wideColumns(found, meanings),
    words: found.words ?? '',
  }
}

/** One of a file's tables is opened; the others are named. */
function openPart(tables: readonly Table[], part: number, known: Record<string, ColumnMeaning[]>) {
  const parts = callTables(tables)
  const opened = outcome(() => {
    table = tables[part]
    return openedTable(table, parts[part], known)
  })
  return { table: opened, parts }
}

const work = {
  /**
   * Opens a file: a logbook's text as it is; of a table, the one of that number, its first rows and what its columns seem
   * to be, and what the tables of the file are called.
   */
  async open(
    file: File,
    isNamedJson: boolean,
    /** How columns of tables of some shapes were named before. */
    known: Record<string, ColumnMeaning[]>,
    part: number,
    onProgress: Progress,
  ): Promise<
    { logbook: string } | { package: ReadPackage } | { table: Outcome<OpenedTable>; parts: string[] }
  > {
    table = undefined
    if (part > 0 && held?.file === keyOf(file)) return openPart(held.tables, part, known)
    held = undefined
    const zip = (await isZip(file)) ? await unzipped(file) : null
    if (zip && 'package' in zip)
      return zip.package.ok ? { package: zip.package.value } : { table: zip.package, parts: [] }
    const text = zip ? '' : await textOf(file, onProgress)
    const isBook = isNamedJson || text.trimStart().startsWith('{')
    if (!zip && isBook && !isObjectLines(text)) return { logbook: text }
    const onCut = (share: number) => onProgress(READ + CUT * share)
    const tables = outcome(() => (zip ? workbookTables(zip.sheets, onCut) : readTraceTables(text, onCut)))
    if (!tables.ok) return { table: tables, parts: [] }
    if (tables.value.length > 1) held = { file: keyOf(file), tables: tables.value }
    return openPart(tables.value, part, known)
  },

  /** The trace of the opened table, with its columns as they are named; its columns change threads without a copy. */
  readTrace(meanings: ColumnMeaning[], onProgress: Progress): Outcome<ReadRecord> {
    const read = outcome(() => {
      if (!table) throw new Error('The file is no longer open. Choose it again.')
      const result = traceFromTable(table, meanings, (share) =>
        onProgress(READ + CUT + (1 - READ - CUT) * share),
      )
      return { ...result, preview: previewOf(result.trace) }
    })
    if (!read.ok) return read
    const buffers = columnsOf(read.value.trace).map((column) => column.buffer as ArrayBuffer)
    return transfer(read, [...new Set(buffers)])
  },

  /** What the runs of a table with columns of several chargers would be, before any is kept. */
  previewWide(meanings: ColumnMeaning[], runs: WideRun['parts'][]): Outcome<WidePreview[]> {
    const read = work.readWide(meanings, runs)
    if (!read.ok) return read
    const value = read.value.map(({ trace, problems, assumed }) => {
      const { points, unit } = previewOf(trace)
      return { points, unit, lastS: durationOf(trace), assumed, problems: problems.slice(0, SHOWN_ROWS) }
    })
    return { ok: true, value }
  },

  /** A trace for each run of a table with columns of several chargers. */
  readWide(meanings: ColumnMeaning[], runs: WideRun['parts'][]): Outcome<TraceReadResult[]> {
    return outcome(() => {
      if (!table) throw new Error('The file is no longer open. Choose it again.')
      return wideTraces(table, meanings, runs)
    })
  },

  /** Lets the table go once its trace was taken. */
  close(): void {
    table = undefined
  },
}

export type FilesWork = typeof work
expose(work)
