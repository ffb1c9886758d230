import { onMounted, ref } from 'vue'

/**
 * Keeps the program in the browser so that it starts without its server, and says when a newer build waits. The newer
 * one is taken up only when it is told to: never under a lane that runs.
 */
export function useNewVersion() {
  const waits = ref(false)
  let registration: ServiceWorkerRegistration | undefined

  onMounted(async () => {
    // Vite's own server writes no service worker, and an old one would hide what was just edited.
    if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return
    try {
      const answer: ServiceWorkerRegistration | undefined = await navigator.serviceWorker.register('/sw.js', {
        updateViaCache: 'none',
      })
      registration = answer
    } catch (fault) {
      // Private windows refuse it; the program works all the same, as long as its server answers.
      return console.warn('The program cannot be kept for use without its server.', fault)
    }
    // One that was told to keep nothing may answer with nothing instead of refusing.
    if (!registration) return
    reloadWithTheRest()
    look(registration)
    registration.addEventListener('updatefound', () => watch(registration!.installing))
  })

  /** A worker that is installed while another one rules is a newer build; the first of all is not. */
  function look({ waiting, installing }: ServiceWorkerRegistration) {
    waits.value = waiting !== null && navigator.serviceWorker.controller !== null
    watch(installing)
  }

  function watch(worker: ServiceWorker | null) {
    worker?.addEventListener('statechange', () => {
      if (worker.state === 'installed' && navigator.serviceWorker.controller) waits.value = true
    })
  }

  /** Once a newer build rules, the files of this one are gone: every tab loads anew, whichever took it up. */
  function reloadWithTheRest() {
    // The very first worker takes over a page that came from the server: that is no newer build.
    let ruled = navigator.serviceWorker.controller !== null
    navigator.serviceWorker.addEventListener('controllerchange', () => {
      if (ruled) location.reload()
      ruled = true
    })
  }

  /** Takes the newer build up; the page is then loaded from it. */
  const takeUp = () => registration?.waiting?.postMessage('take-up')

  return { waits, takeUp }
}
