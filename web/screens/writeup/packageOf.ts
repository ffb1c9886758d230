import { strToU8, zipSync } from 'fflate'
import { dataPackage, type PackageOptions } from '@core/formats/dataPackage'
import type { Logbook } from '@core/logbook/logbook'
import { sha256 } from '../../workers/sha256'

/** Under which others may use the data; they see it in the package. */
const LICENSE = {
  name: 'CC-BY-4.0',
  title: 'Creative Commons Attribution 4.0',
  path: 'https://creativecommons.org/licenses/by/4.0/',
}

/** A data package as a zip. */
export async function packageOf(
  logbook: Logbook,
  options: Omit<PackageOptions, 'license' | 'createdAt'>,
): Promise<Uint8Array> {
  const createdAt = new Date().toISOString()
  const files = await dataPackage(logbook, { ...options, createdAt, license: LICENSE }, sha256)
  return zipSync(Object.fromEntries(Object.entries(files).map(([path, text]) => [path, strToU8(text)])))
}
