import { expect, it } from 'vitest'
import { datedName, nameWithin, repeatName, setupName, tellingNames } from './names'

it('names a set-up, and what has left the shelf', () => {
  expect(setupName('Skerry P5', 'Hawser 20')).toBe('Skerry P5 from Hawser 20')
  expect(setupName(undefined, 'Hawser 20')).toBe('A deleted device from Hawser 20')
  expect(setupName('Skerry P5', undefined)).toBe('Skerry P5 from a deleted source')
})

it('tells runs of one set-up apart', () => {
  expect(repeatName('Skerry P5 from Hawser 20', 2)).toBe('Skerry P5 from Hawser 20, run 2')
  const noon = new Date(2026, 2, 2, 12).toISOString()
  expect(datedName('Skerry P5 from Hawser 20', { startedAt: noon, dated: false })).toBe('Skerry P5 from Hawser 20, not dated') // prettier-ignore
  const name = datedName('Skerry P5 from Hawser 20', { startedAt: noon, dated: true }, false, 'spoilt')
  expect(name).toMatch(/^Skerry P5 from Hawser 20, .*2.*, spoilt$/)
})

it('says only what tells runs apart', () => {
  const runs = (...pairs: [string?, string?][]) =>
    pairs.map(([device, source], i) => ({ id: String(i), device, source }))
  const names = (...pairs: [string?, string?][]) => Object.values(tellingNames(runs(...pairs)))
  expect(names(['P5', 'H20'], ['P5', 'H30'], ['P5', 'H20'])).toEqual(['H20', 'H30', 'H20 (2)'])
  expect(names(['P5', 'H20'], ['T11', 'H20'])).toEqual(['P5', 'T11'])
  expect(names(['P5', 'H20'], ['T11', 'H30'], [undefined, 'H30'])).toEqual([
    'P5 · H20',
    'T11 · H30',
    '? · H30',
  ])
})

it('tells runs of one name apart by cable, unit or day, whichever differs, and by a number at last', () => {
  const run = (id: string, cable: string, unit: string, day: string) => ({
    id,
    device: 'P5',
    source: 'H20',
    cable,
    unit,
    day,
  })
  const names = (...runs: ReturnType<typeof run>[]) =>
    Object.values(tellingNames([...runs, { id: 'z', device: 'P5', source: 'H30' }]))
  expect(names(run('a', 'grey', '', '2 Mar'), run('b', 'white', '', '3 Mar'))).toEqual([
    'H20 (grey)',
    'H20 (white)',
    'H30',
  ])
  expect(names(run('a', 'grey', 'mate’s', '2 Mar'), run('b', 'grey', 'mine', '2 Mar'))).toEqual([
    'H20 (mate’s)',
    'H20 (mine)',
    'H30',
  ])
  expect(names(run('a', 'grey', '', '2 Mar'), run('b', 'grey', '', '3 Mar'))).toEqual([
    'H20 (2 Mar)',
    'H20 (3 Mar)',
    'H30',
  ])
  // Of several things that differ each stands in the same brackets.
  expect(
    names(
      run('a', 'short, marked', 'mine', '2 Mar'),
      run('b', 'short, marked', 'mate’s', '2 Mar'),
      run('c', 'long', '', ''),
    ),
  ).toEqual(['H20 (short, marked; mine)', 'H20 (short, marked; mate’s)', 'H20 (long)', 'H30'])
  expect(names(run('a', 'grey', '', '2 Mar'), run('b', 'grey', '', '2 Mar'))).toEqual([
    'H20',
    'H20 (2)',
    'H30',
  ])
})

it('tells set-ups of the same gear apart by how the device was set, then by its battery', () => {
  const of = (id: string, state: string, health: string) => ({
    id,
    device: 'P5',
    source: 'H20',
    state,
    health,
  })
  const names = (...runs: ReturnType<typeof of>[]) => Object.values(tellingNames(runs))
  expect(
    names(
      of('1', 'asleep, case off', 'health 99 %'),
      of('2', 'Asleep; case on; screen at 50 %', 'health 98 %'),
    ),
  ).toEqual(['H20 (case off)', 'H20 (case on, screen at 50 %)'])
  expect(names(of('1', 'asleep', 'health 99 %'), of('2', 'asleep, filmed', 'health 98 %'))).toEqual([
    'H20',
    'H20 (filmed)',
  ])
  expect(names(of('1', 'asleep', 'health 99 %'), of('2', 'asleep', 'health 88 %'))).toEqual([
    'H20 (health 99 %)',
    'H20 (health 88 %)',
  ])
})

it('leaves out of a name in a frame what the frame is called', () => {
  const within = (name: string) => nameWithin(name, 'Hawser 2')
  expect(within('Skerry P5 · Hawser 2')).toBe('Skerry P5')
  expect(within('Skerry P5 · Hawser 2 (Long grey)')).toBe('Skerry P5 (Long grey)')
  expect(within('Hawser 2 · Bollard 5')).toBe('Bollard 5')
  expect(within('Hawser 2')).toBe('')
  expect([within('Skerry P5 · Hawser 20'), within('Bollard 5'), nameWithin('Bollard 5', '')]).toEqual([
    'Skerry P5 · Hawser 20',
    'Bollard 5',
    'Bollard 5',
  ])
})
