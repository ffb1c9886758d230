import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/atkinson-hyperlegible-mono'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { router } from './router'
import { vuetify } from './theme/vuetify'
import './theme/paper.css'

/**
 * What every page needs, then the program's own part, then its first picture: each in a turn of its own, so that none
 * holds the page up for all.
 */
async function begin() {
  const [{ default: App }, { tellFailures }] = await Promise.all([
    import('./App.vue'),
    import('./composables/tellFailures'),
  ])
  await new Promise((resolve) => setTimeout(resolve))
  const app = createApp(App).use(createPinia()).use(router).use(vuetify)
  tellFailures(app, router)
  app.mount('#app')
}

begin().catch((error: unknown) => {
  console.error(error)
  const words = document.createElement('p')
  words.className = 'page'
  words.role = 'alert'
  words.textContent =
    'Inkpath Log could not be loaded. Is its server running? Reload the page once it is. Your logbook lies in this browser, untouched.'
  document.body.append(words)
})
