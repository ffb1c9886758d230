/**
 * Where a record is shown. Its id may hold whatever the program that made the logbook put there: `/`, `?` and `%` too.
 */
export const placeOf = (screen: 'sheet' | 'plan' | 'write-up', id: string): string =>
  `/${screen}/${encodeURIComponent(id)}`

/** Several ids as one word of an address, parted by commas. */
export const idsAsWord = (ids: readonly string[]): string =>
  ids.map((id) => id.replace(/[%,]/g, (sign) => encodeURIComponent(sign))).join(',')

/** The ids in such a word; one that was typed by hand and cannot be read stands as it is. */
export const idsInWord = (word: string): string[] =>
  word
    .split(',')
    .filter(Boolean)
    .map((part) => part.replace(/%(25|2C)/gi, (sign) => decodeURIComponent(sign)))
