import { expect, it } from 'vitest'
import { fedBeside, type Spell } from './spells'

const spell = (id: string, minute: number, durationS: number, over: Partial<Spell> = {}): Spell => ({
  id,
  charged: id,
  sourceId: 's',
  fedFromId: null,
  startedAt: new Date(Date.UTC(2026, 2, 2, 19, minute)).toISOString(),
  dated: true,
  durationS,
  ...over,
})
const counts = (all: Spell[], ports = 2) => [...fedBeside(all, () => ports).values()]

it('counts the runs that a source fed meanwhile: not one that began as it ended, nor one from another source', () => {
  const all = [
    spell('a', 0, 3600),
    spell('b', 0, 600),
    spell('c', 59, 60),
    spell('d', 60, 60),
    spell('e', 0, 3600, { sourceId: 't' }),
  ]
  expect(counts(all)).toEqual([2, 1, 1, 0, 0])
  expect(counts([all[3], all[2], all[1], all[0]])).toEqual([0, 1, 1, 2])
  expect(counts([all[1], all[3], spell('f', 5, 60)])).toEqual([1, 0, 1])
  // How long one took that was never worked out nobody knows.
  expect(counts([...all, spell('f', 5, NaN)])).toEqual([2, 1, 1, 0, 0, 0])
  // One without a length does not hide the one behind it.
  expect(counts([spell('f', 0, NaN), spell('a', 0, 3600), spell('c', 59, 60)])).toEqual([0, 1, 1])
})

it('takes runs that a source of one port fed at once for runs on two of its kind', () => {
  const all = [spell('a', 0, 60), spell('b', 0, 60), spell('c', 0, 60, { dated: false })]
  expect([counts(all, 1), counts(all, 0), counts(all, 2)]).toEqual([[0, 0, 0], [0, 0, NaN], [1, 1, NaN]])
  const pad = (id: string) => spell(id, 0, 60, { sourceId: `pad ${id}`, fedFromId: 'brick' })
  const portsOf = (id: string) => (id === 'brick' ? 2 : 1)
  expect([...fedBeside([pad('a'), pad('b')], portsOf).values()]).toEqual([1, 1])
}) // prettier-ignore

it('takes runs of one and the same device for none that were made at once', () => {
  expect(counts([spell('a', 0, 60, { charged: 'd' }), spell('b', 0, 60, { charged: 'd' }), spell('c', 0, 60)])).toEqual([1, 1, 2])
}) // prettier-ignore

it('does not know whether a run without a date was alone on its source, nor counts it beside others', () => {
  expect(counts([spell('a', 0, 60), spell('b', 0, 60), spell('c', 0, 60, { dated: false })])).toEqual([
    1,
    1,
    NaN,
  ])
})

it('sees two pads behind one brick, and a brick that feeds a pad and a phone, once each', () => {
  const behind = { fedFromId: 'brick' }
  const pads = [spell('a', 0, 60, { sourceId: 'pad 1', ...behind }), spell('b', 0, 60, { sourceId: 'pad 2', ...behind })] // prettier-ignore
  expect(counts(pads)).toEqual([1, 1])
  expect(counts([...pads, spell('c', 0, 60, { sourceId: 'brick' })])).toEqual([2, 2, 2])
  expect(counts([spell('a', 0, 60, behind), spell('b', 0, 60, behind)])).toEqual([1, 1])
})
