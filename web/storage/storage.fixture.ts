import { readLogbook } from '@core/formats/logbookJson'
import type { Logbook } from '@core/logbook/logbook'

/** A small logbook with one run for each id, read the way a file is. */
export function demoLike(...ids: string[]): Logbook {
  return readLogbook(
    JSON.stringify({
      format: 'inkpath-logbook',
      schemaVersion: 1,
      devices: [{ id: 'd', name: 'Skerry P5', kind: 'phone', capacityMah: 4200, healthPercent: 100 }],
      sources: [{ id: 's', name: 'Hawser 20', kind: 'wall charger', ratedWatts: 20, ports: [] }],
      cables: [],
      gearCorrections: [],
      runs: ids.map((id) => ({
        id,
        deviceId: 'd',
        sourceId: 's',
        ink: 0,
        startedAt: '2026-03-01T19:00:00.000Z',
        state: 'done',
        startPercent: 5,
        reading: { kind: 'every', seconds: 300 },
        stop: { kind: 'shown-full' },
        provenance: 'hand',
        trace: { time: [0, 300, 600], percent: [5, null, 30], power: [20, 19.5, null] },
      })),
    }),
  )
}
