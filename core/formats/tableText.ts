import Papa from 'papaparse'

/** A table of texts, as it is copied: its first row are the heads. */
export type TextTable = readonly (readonly string[])[]

/** How a table is copied. */
export const TABLE_FORMS = ['text', 'csv', 'markdown', 'cells'] as const
export type TableForm = (typeof TABLE_FORMS)[number]

/** A cell that a spreadsheet would take for a formula gets an apostrophe in front. A minus before a number is none. */
const guarded = (cell: string) => (/^[=+@\t\r]|^-(?!\d)/.test(cell) ? `'${cell}` : cell)
/** No-break spaces and line breaks are for the page. */
const plain = (cell: string) => cell.replace(/\s+/g, ' ').trim()

/**
 * A table as aligned text, as CSV (RFC 4180), as Markdown (with pipes escaped), or as a spreadsheet's cells (tabs).
 *
 * @example tableText([['a', 'b'], ['1', '2']], 'markdown') // '| a | b |\n| --- | --- |\n| 1 | 2 |\n'
 */
export function tableText(table: TextTable, form: TableForm): string {
  const rows = table.map((row) => row.map(plain))
  switch (form) {
    case 'csv':
      return Papa.unparse(rows.map((r) => r.map(guarded))) + '\r\n'
    case 'cells':
      return Papa.unparse(rows.map((r) => r.map(guarded)), { delimiter: '\t', newline: '\n' }) + '\n'
    case 'markdown': {
      const line = (row: readonly string[]) =>
        `| ${row.map((c) => c.replace(/[\\|`*_[\]<>]/g, (sign) => `\\${sign}`)).join(' | ')} |`
      const [head, ...body] = rows
      return [line(head), `| ${head.map(() => '---').join(' | ')} |`, ...body.map(line)].join('\n') + '\n'
    }
    case 'text': {
      const widths = rows[0].map((_, i) => rows.reduce((w, r) => Math.max(w, (r[i] ?? '').length), 0))
      return rows.map((r) => r.map((c, i) => c.padEnd(widths[i])).join('  ').trimEnd()).join('\n') + '\n'
    }
  }
} // prettier-ignore
