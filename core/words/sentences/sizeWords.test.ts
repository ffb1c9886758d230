import { expect, it } from 'vitest'
import { sizeWords } from './sizeWords'

const names = ['Skerry P5', 'Skerry P5 Mini', 'Thwart T11']
const words = (...of: Parameters<typeof sizeWords>[0] & object) =>
  sizeWords(of, names, 30).replaceAll('\u00a0', ' ')

it('says that points are not energy, and where most of it went', () => {
  const said = 'These batteries differ in size, and a point of one is not the energy of a point of another.'
  expect(words({ index: 0, wh: 8.424 }, { index: 2, wh: 8.381 })).toBe(
    `${said} In 30 min most energy went into Skerry P5 and Thwart T11, which can’t be told apart: 8.4 Wh and 8.4 Wh.`,
  )
  expect(words({ index: 0, wh: 8.424 })).toBe(`${said} In 30 min most energy went into Skerry P5: 8.4 Wh.`)
  expect(words()).toBe(said)
  expect(sizeWords(null, names, 30)).toBe('')
})
