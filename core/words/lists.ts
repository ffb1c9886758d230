const LISTED = new Intl.ListFormat('en-GB', { type: 'conjunction' })

/** Names as a sentence lists them: "a", "a and b", "a, b and c"; nothing of none. */
export const list = (names: readonly string[]): string => LISTED.format(names)
