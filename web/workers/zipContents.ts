import { unzipSync } from 'fflate'

/** What a zip says of itself: its files, and how large they claim to be together once unpacked, bytes. */
export interface ZipContents {
  names: string[]
  unpackedBytes: number
}

/**
 * Reads the list of a zip, and unpacks nothing: whether it can be what it should be, and is not too large for that, is
 * to be known before. Null where it has no such list.
 */
export function zipContents(zip: Uint8Array): ZipContents | null {
  const found: ZipContents = { names: [], unpackedBytes: 0 }
  try {
    unzipSync(zip, {
      filter: ({ name, originalSize }) => {
        found.names.push(name)
        found.unpackedBytes += originalSize
        return false
      },
    })
  } catch {
    return null
  }
  return found
}
