import { zipSync } from 'fflate'
import { expect, it } from 'vitest'
import { zipContents } from './zipContents'

it('says what a zip holds and unpacks to, without unpacking it', () => {
  const zeros = new Uint8Array(5_000_000)
  const zip = zipSync({ 'datapackage.json': new Uint8Array(3), 'xl/sheet1.xml': zeros })
  expect(zip.length).toBeLessThan(50_000)
  expect(zipContents(zip)).toEqual({
    names: ['datapackage.json', 'xl/sheet1.xml'],
    unpackedBytes: 5_000_003,
  })
  // Its list stands at the end: what was cut off there says nothing.
  expect(zipContents(zip.subarray(0, zip.length - 30))).toBeNull()
  expect(zipContents(new Uint8Array(100))).toBeNull()
})
