import 'fake-indexeddb/auto'
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
