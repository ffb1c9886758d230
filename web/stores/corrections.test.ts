import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it } from 'vitest'
import { useCorrections } from './corrections'
import { useLogbook } from './logbook'
import { openWith } from './logbook.fixture'

beforeEach(() => openWith('a'))

it('keeps what another tab wrote of a device while a rating of it was put right', async () => {
  const logbook = useLogbook()
  const [begun] = logbook.devices
  await logbook.put('devices', { ...begun, notes: 'scratched', maxWatts: 30 })
  await useCorrections().correctGear('devices', { ...begun, capacityMah: 4000 }, begun, 'misread')
  const [device] = logbook.devices
  expect(device).toMatchObject({ notes: 'scratched', maxWatts: 30, capacityMah: 4000 })
  expect(device.corrections.map((c) => c.field)).toEqual(['capacityMah'])
})

it('judges a run anew by its readings as another tab left them, when a rule of it is put right', async () => {
  setActivePinia(createPinia())
  const other = useLogbook()
  await other.load()
  const putRuleRight = useCorrections().putRuleRight
  await other.traceOf('a')
  setActivePinia(createPinia())
  await useLogbook().load()
  const [, , at] = (await useLogbook().readingsOf('a'))!.time
  await useCorrections().correct('a', { row: 2, t: at }, 'percent', 100, 'misread')
  // Nothing of it has come to the other tab when it puts the rule right.
  await putRuleRight('a', 'stop', { kind: 'duration', seconds: 7200 }, 'it was to charge for two hours')
  expect(other.run('a')).toMatchObject({ state: 'short', stop: { kind: 'duration' } })
  expect(other.run('a')!.corrections).toHaveLength(1)
})

it('puts no other reading right than the one that was looked at, though another tab put one before it meanwhile', async () => {
  const { run, readingsOf } = useLogbook()
  const { addForgotten, correct, moveReading } = useCorrections()
  const { time, percent } = (await readingsOf('a'))!
  const looked = { row: 1, t: time[1] }
  await addForgotten('a', { t: time[1] / 2, percent: percent![0] }, 'found in the notebook')
  await expect(correct('a', looked, 'percent', 99, 'misread')).rejects.toThrow(/Look at them again/)
  await expect(moveReading('a', looked, time[1] + 1, 'misread')).rejects.toThrow(/Look at them again/)
  expect(run('a')!.corrections).toHaveLength(1)
  await correct('a', { row: 2, t: time[1] }, 'percent', percent![1] + 1, 'misread')
  expect((await readingsOf('a'))!.percent![2]).toBe(percent![1] + 1)
})
