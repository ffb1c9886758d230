import { max } from 'd3-array'
import { parseISO } from 'date-fns'
import { Parser } from 'saxen'
import { MOST_READINGS } from '../trace/bounds'
import { UnreadableFile } from './problem'
import type { SheetCell } from './sheetCells'
import type { Sheet } from './workbook'

/** A row's cells beyond this are no log's: sheets are filled to their edge with nothing. */
const MOST_COLUMNS = 1000
const HOUR_MS = 3_600_000
/** Spreadsheets count days from here: a time of day lies on the first of them. */
const DAY_ZERO = Date.UTC(1899, 11, 30)
/** What is said of a cell, or drawn over it, is none of its text. */
const ASIDE = new Set([
  'office:annotation',
  'draw:frame',
  'draw:custom-shape',
  'table:shapes',
  'office:forms',
])
const DURATION = /^(-?)P(?:(\d+)D)?T(?:(\d+)H)?(?:(\d+)M)?(?:(\d+(?:[.,]\d+)?)S)?$/

type Attributes = Record<string, string>

/** A cell's value by its kind (OpenDocument 1.3 part 3, §19.385 `office:value-type`, from memory); else what it shows. */
function valueOf(attributes: Attributes, shown: string): SheetCell {
  switch (attributes['office:value-type']) {
    case 'float':
    case 'percentage':
    case 'currency':
      return Number(attributes['office:value'])
    case 'date':
      // Days and times of a sheet have no zone: they are taken as moments in UTC, as all of its cells are.
      return parseISO(
        (attributes['office:date-value'] ?? '').replace(
          /(T.*?)?Z?$/,
          (_, time?: string) => `${time ?? 'T00:00:00'}Z`,
        ),
      )
    case 'time':
      return timeOf(attributes['office:time-value']) ?? shown
    case undefined:
      return shown === '' ? null : shown
    default:
      return attributes['office:string-value'] ?? shown
  }
}

/** `PT01H05M30S`, as a moment of the sheet's first day. */
function timeOf(duration = ''): Date | undefined {
  const found = DURATION.exec(duration)
  if (!found) return undefined
  const [, minus, days = '0', hours = '0', minutes = '0', seconds = '0'] = found
  const s =
    24 * 3600 * Number(days) + 3600 * Number(hours) + 60 * Number(minutes) + Number(seconds.replace(',', '.'))
  return new Date(DAY_ZERO + (minus ? -1 : 1) * Math.round((s * HOUR_MS) / 3600))
}

const repeated = (attributes: Attributes, name: string): number =>
  Math.max(1, Math.floor(Number(attributes[name] ?? 1)) || 1)

/** The sheets of a document, as its cells come by. */
class Sheets {
  readonly all: { sheet: string; data: SheetCell[][] }[] = []
  private row: SheetCell[] = []
  private rowRepeats = 1
  /** Rows of nothing are kept only where something stands below them: a sheet ends with a million. */
  private emptyRows = 0
  private cell: Attributes | null = null
  private lines: string[] = []

  open(name: string, attributes: Attributes): void {
    if (name === 'table:table') {
      this.all.push({ sheet: attributes['table:name'] ?? '', data: [] })
      this.emptyRows = 0
    } else if (name === 'table:table-row') {
      this.row = []
      this.rowRepeats = repeated(attributes, 'table:number-rows-repeated')
    } else if (name === 'table:table-cell' || name === 'table:covered-table-cell') {
      this.cell = attributes
      this.lines = []
    } else if (name === 'text:p') this.lines.push('')
    else if (name === 'text:s') this.write(' '.repeat(Math.min(100, repeated(attributes, 'text:c'))))
    else if (name === 'text:tab' || name === 'text:line-break') this.write(' ')
  }

  write(text: string): void {
    if (this.cell && this.lines.length > 0) this.lines[this.lines.length - 1] += text
  }

  close(name: string): void {
    if (name === 'table:table-row') this.closeRow()
    if (!this.cell || (name !== 'table:table-cell' && name !== 'table:covered-table-cell')) return
    const value = valueOf(this.cell, this.lines.join(' ').trim())
    const times = Math.min(
      repeated(this.cell, 'table:number-columns-repeated'),
      MOST_COLUMNS - this.row.length,
    )
    for (let i = 0; i < times; i++) this.row.push(value)
    this.cell = null
  }

  private closeRow(): void {
    const data = this.all.at(-1)?.data
    while (this.row.length > 0 && this.row[this.row.length - 1] === null) this.row.pop()
    if (!data) return
    if (this.row.length === 0) {
      this.emptyRows += this.rowRepeats
      return
    }
    if (data.length + this.emptyRows + this.rowRepeats > MOST_READINGS)
      throw new UnreadableFile(`The sheet holds more than ${MOST_READINGS} rows.`)
    for (; this.emptyRows > 0; this.emptyRows--) data.push([])
    for (let i = 0; i < this.rowRepeats; i++) data.push(this.row)
  }
}

/** Fills what is shorter than the widest row: cells of nothing at its end are not written out. */
function pad(data: SheetCell[][]): void {
  const width = max(data, (row) => row.length) ?? 0
  for (const row of data) while (row.length > 0 && row.length < width) row.push(null)
}

/**
 * The sheets of a spreadsheet in the OpenDocument format, from its `content.xml`: numbers as numbers, dates and times as
 * moments in UTC, everything else as the text it shows.
 *
 * @throws UnreadableFile where it is no such document, or holds more rows than a trace may have readings
 */
export function openDocumentSheets(xml: string): Sheet[] {
  const sheets = new Sheets()
  let aside = 0
  let failure: Error | undefined
  const parser = new Parser()
    .on('openTag', (name, attributes, decode) => {
      // A tag that is empty is closed as well.
      if (aside > 0 || ASIDE.has(name)) return void aside++
      const own = attributes()
      sheets.open(name, Object.fromEntries(Object.entries(own).map(([key, value]) => [key, decode(value)])))
    })
    .on('closeTag', (name) => {
      if (aside > 0) aside--
      else sheets.close(name)
    })
    .on('text', (text, decode) => {
      if (aside === 0) sheets.write(decode(text))
    })
    .on('cdata', (text) => {
      if (aside === 0) sheets.write(text)
    })
    .on('error', (error) => {
      failure ??= error
    })
  parser.parse(xml)
  if (failure || sheets.all.length === 0)
    throw new UnreadableFile(
      'This is no spreadsheet, or it is damaged. Save its sheet as CSV, and bring that in.',
    )
  for (const { data } of sheets.all) pad(data)
  return sheets.all
}
