import writeSheet from 'write-excel-file/browser'

/** A table as a spreadsheet: a cell that is a plain number is one, everything else is text and never a formula. */
export async function sheetFile(rows: readonly (readonly string[])[]): Promise<Blob> {
  const cells = rows.map((row, i) =>
    row.map((cell) => {
      const number = Number(cell)
      const isNumber = cell.trim() !== '' && Number.isFinite(number)
      return {
        value: isNumber ? number : cell.replace(/\u00A0/g, ' '),
        type: isNumber ? Number : String,
        ...(i === 0 ? { fontWeight: 'bold' as const } : {}),
      }
    }),
  )
  return writeSheet(cells as never).toBlob()
}
