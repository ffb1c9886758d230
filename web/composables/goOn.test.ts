import { createApp } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { expect, it } from 'vitest'
import { useGoOn, watchBound } from './goOn'

async function opened(loading: Promise<unknown> = Promise.resolve()) {
  const component = {}
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: '/bench', component },
      { path: '/sheet/:id', component },
      { path: '/late', component: () => loading.then(() => component) },
    ],
  })
  watchBound(router)
  await router.push('/bench')
  const goOn = createApp({}).use(router).runWithContext(useGoOn)
  return { router, goOn }
}

it('leads on from where a deed was done', async () => {
  const { router, goOn } = await opened()
  expect(await goOn('/sheet/a')).toBe(true)
  expect(router.currentRoute.value.path).toBe('/sheet/a')
})

it('leads nobody away from where they went meanwhile, nor from a screen that is still being loaded', async () => {
  let load!: () => void
  const { router, goOn } = await opened(new Promise<void>((resolve) => (load = resolve)))
  const going = router.push('/late')
  await new Promise((resolve) => setTimeout(resolve))
  expect(await goOn('/bench')).toBe(false)
  load()
  await going
  expect(await goOn('/sheet/a')).toBe(false)
  expect(router.currentRoute.value.path).toBe('/late')
})
