import { readLogbook } from '@core/formats/logbookJson'
import type { Logbook } from '@core/logbook/logbook'
import {
  editionDrawers,
  journalDrawer,
  metaDrawer,
  oldGearDrawer,
  oldRunDrawer,
  traceDrawer,
} from './database'

const SOURCE = { id: 's', name: 'Hawser 20', kind: 'wall charger', ratedWatts: 20, ports: [] }

/** A small logbook with one run for each id, read the way a file is. */
export function demoLike(...ids: string[]): Logbook {
  return readLogbook(
    JSON.stringify({
      format: 'inkpath-logbook',
      schemaVersion: 1,
      devices: [{ id: 'd', name: 'Skerry P5', kind: 'phone', capacityMah: 4200, healthPercent: 100 }],
      sources: [SOURCE],
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

/** An empty browser. */
export async function emptyBrowser(): Promise<void> {
  const drawers = [
    ...Object.values(editionDrawers),
    traceDrawer,
    journalDrawer,
    metaDrawer,
    oldGearDrawer,
    oldRunDrawer,
  ]
  for (const drawer of drawers) await drawer.clear()
}
