import { strToU8, zipSync } from 'fflate'
import { dataPackage, type PackageOptions } from '@core/formats/dataPackage'
import type { Logbook } from '@core/logbook/logbook'
import { sha256 } from '../../workers/sha256'

/** A data package as a zip. */
export async function packageOf(
  logbook: Logbook,
  options: Omit<PackageOptions, 'createdAt'>,
): Promise<Uint8Array> {
  const createdAt = new Date().toISOString()
  const files = await dataPackage(logbook, { ...options, createdAt }, sha256)
  return zipSync(Object.fromEntries(Object.entries(files).map(([path, text]) => [path, strToU8(text)])))
}
