/** What makes two tables alike: their heads, in order. */
export const shapeOf = (headers: readonly string[]): string =>
  headers.map((h) => h.trim().toLowerCase()).join('\t')
