import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/atkinson-hyperlegible-mono'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { router } from './router'
import { vuetify } from './theme/vuetify'
import './theme/paper.css'

// What every page needs, then the program's own part, then its first picture: each in a turn of its own, so that none
// holds the page up for all.
const { default: App } = await import('./App.vue')
await new Promise((resolve) => setTimeout(resolve))
createApp(App).use(createPinia()).use(router).use(vuetify).mount('#app')
