/** What people and programs write where nothing was read. */
const NOT_READ = /^([-–—]+|\?+|n\/?a|nan|null|none)$/i

/** Whether a cell says nothing: empty, or a mark that nothing was read. */
export const isNotRead = (cell: string): boolean => {
  const said = cell.trim()
  return said === '' || NOT_READ.test(said)
}
