import type { App } from 'vue'
import type { Router } from 'vue-router'
import { useNotices } from '../stores/notices'

const NOT_LOADED = /dynamically imported module|importing a module script|preload CSS/i

/** What is said of a failure that nobody foresaw. Browsers word a piece that does not come each in their own way. */
export const wordsOf = (error: unknown): string => {
  const message = error instanceof Error ? error.message : String(error)
  return NOT_LOADED.test(message)
    ? 'This part of the program could not be loaded. Is its server still running? Try again, or reload the page.'
    : `Something went wrong that should not: ${message}`
}

/**
 * Failures that no deed tells itself are told too, at the foot of the page: a press that does nothing is the worst
 * answer. Whoever chose to leave a dialog of the browser's has failed at nothing.
 */
export function tellFailures(app: App, router: Router): void {
  const notices = useNotices()
  const tell = (error: unknown) => {
    if (error instanceof DOMException && error.name === 'AbortError') return
    console.error(error)
    notices.fail(wordsOf(error))
  }
  app.config.errorHandler = tell
  router.onError(tell)
  window.addEventListener('unhandledrejection', ({ reason }) => tell(reason))
}
