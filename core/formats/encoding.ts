/** How a file's bytes are to be read as text. */
export type TextEncodingName = 'utf-8' | 'utf-16le' | 'utf-16be'
/** What text of one byte a letter is taken for: the code page of western Europe, which has all of Latin-1. */
export const ONE_BYTE = 'windows-1252'

/**
 * The encoding of a text file: by its byte order mark, else by where its zero bytes lie, which UTF-8 text has none of
 * and UTF-16 text in Latin letters has in every other place.
 */
export function encodingOf(bytes: Uint8Array): TextEncodingName {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le'
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be'
  const looked = Math.min(bytes.length & ~1, 512)
  let even = 0
  let odd = 0
  for (let i = 0; i < looked; i += 2) {
    if (bytes[i] === 0) even++
    if (bytes[i + 1] === 0) odd++
  }
  if (odd > looked / 4 && even === 0) return 'utf-16le'
  if (even > looked / 4 && odd === 0) return 'utf-16be'
  return 'utf-8'
}

/**
 * Whether what was decoded as UTF-8 is text of one byte a letter: some of it could not be read, and none of what could
 * is a letter beyond ASCII.
 */
export const isOneByte = (decoded: string): boolean =>
  decoded.includes('\uFFFD') && !/[\u0080-\uFFFC]/.test(decoded.replace(/^\uFEFF/, ''))

/** The text of a whole file. */
export function decodeText(bytes: Uint8Array): string {
  const text = new TextDecoder(encodingOf(bytes)).decode(bytes)
  return isOneByte(text) ? new TextDecoder(ONE_BYTE).decode(bytes) : text
}
