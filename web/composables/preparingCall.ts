import { useLogbook } from '../stores/logbook'
import { usePreparing } from '../stores/preparing'
import { useSettings } from '../stores/settings'
import { beep, say } from './benchCall'

const SECOND_MS = 1000

/** Calls once as a draining device should be looked at, and as one has rested, whichever screen is open. */
export async function callPreparing(): Promise<void> {
  const [preparing, logbook, settings] = [usePreparing(), useLogbook(), useSettings()]
  const called = new Map<string, string>()
  await preparing.load()
  await preparing.follow().catch(() => undefined)
  setInterval(() => {
    void preparing.tick()
    for (const { deviceId, due } of preparing.rows) {
      if (!due) called.delete(deviceId)
      if (!due || called.get(deviceId) === due) continue
      called.set(deviceId, due)
      const name = logbook.device(deviceId)?.name ?? ''
      if (settings.sound) beep()
      if (settings.spoken) say(due === 'look' ? `${name}: is it at its start level?` : `${name} has rested.`)
    }
  }, SECOND_MS)
}
