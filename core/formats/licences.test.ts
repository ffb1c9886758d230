import { expect, it } from 'vitest'
import { LICENCES } from './licences'

// Identifiers of the SPDX License List, and where those who wrote the terms keep them (memory).
it('names each by its SPDX identifier, with its words and where they stand', () => {
  const told = LICENCES.map(({ name, title, path }) => [name, title.split(' ').at(-1), path])
  const cc = (terms: string) => `https://creativecommons.org/${terms}/`
  expect(told).toEqual([
    ['CC0-1.0', 'Universal', cc('publicdomain/zero/1.0')],
    ['CC-BY-4.0', '4.0', cc('licenses/by/4.0')],
    ['CC-BY-SA-4.0', '4.0', cc('licenses/by-sa/4.0')],
    ['CC-BY-NC-4.0', '4.0', cc('licenses/by-nc/4.0')],
    ['ODbL-1.0', '1.0', 'https://opendatacommons.org/licenses/odbl/1-0/'],
  ])
  const words = ['CC0', 'Attribution 4', 'Share-Alike', 'Non-Commercial', 'Open Database']
  expect(LICENCES.map(({ title }, i) => title.includes(words[i]))).toEqual(Array(5).fill(true))
})
