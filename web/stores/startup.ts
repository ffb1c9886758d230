import { defineStore } from 'pinia'
import { ref } from 'vue'
import { readLogbook } from '@core/formats/logbookJson'
import { useBench } from './bench'
import { useLogbook } from './logbook'
import { useStrip } from './strip'
import { useSettings } from './settings'

/** What happens once when the program opens. */
export const useStartup = defineStore('startup', () => {
  const demoAvailable = ref(false)
  const logbook = useLogbook()

  async function openDemo() {
    const response = await fetch('/api/demo-logbook')
    if (!response.ok) throw new Error('The demo logbook is not there; start the program with "npm run demo".')
    await logbook.take(readLogbook(await response.text()), 'merge')
  }

  async function begin() {
    await useSettings()
      .load()
      .catch(() => undefined)
    await logbook.load()
    if (logbook.state !== 'ready') return
    await useBench().resume()
    await useStrip().load()
    const start = await fetch('/api/start').then(
      (r) => r.json(),
      () => ({}),
    )
    demoAvailable.value = start.demoAvailable === true
    if (start.demo && logbook.isEmpty && !useBench().lanes.length) await openDemo()
  }
  return { demoAvailable, begin, openDemo }
})
