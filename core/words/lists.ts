const LISTED = new Intl.ListFormat('en-GB', { type: 'conjunction' })

/** Names as a sentence lists them: "a", "a and b", "a, b and c"; nothing of none. */
export const list = (names: readonly string[]): string => LISTED.format(names)

/**
 * So many of something.
 * @example counted(1, 'run') // '1 run'
 */
export const counted = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`

/** More names than this nobody reads in a sentence: the table beside it has them all. */
export const MOST_NAMED = 5

/** The same of many: the first few, and how many others there are. One name more is written out: "1 other" is no shorter. */
export const listSome = (names: readonly string[], most = MOST_NAMED): string =>
  names.length <= most + 1 ? list(names) : list([...names.slice(0, most), `${names.length - most} others`])
