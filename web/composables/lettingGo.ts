import { watch } from 'vue'
import { useRoute } from 'vue-router'
import { useLogbook } from '../stores/logbook'

/** A screen that opens has asked for the readings it shows by then. */
const OPENED_MS = 1000

/** Lets go of the readings that only screens had that were left. */
export function useLettingGo(): void {
  const [logbook, route] = [useLogbook(), useRoute()]
  watch(
    () => route.path,
    () => {
      const left = logbook.moment()
      setTimeout(() => logbook.letGo(left), OPENED_MS)
    },
  )
}
