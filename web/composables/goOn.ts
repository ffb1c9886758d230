import { useRouter, type RouteLocationNormalized, type RouteLocationRaw, type Router } from 'vue-router'

/** Where each router is on its way to: a screen that still has to be loaded is not the current one yet. */
const bound = new WeakMap<Router, RouteLocationNormalized>()

/** Once for a router, as it is made. */
export function watchBound(router: Router): void {
  router.beforeEach((to) => void bound.set(router, to))
  router.afterEach((to) => {
    // One that was overtaken ends after the next has begun.
    if (bound.get(router) === to) bound.delete(router)
  })
}

/**
 * For what a screen does and then leads on from: to where it leads, unless the reviewer went to another screen meanwhile.
 * Tells whether it went. To be asked for in the screen's set-up.
 */
export function useGoOn(): (to: RouteLocationRaw) => Promise<boolean> {
  const router = useRouter()
  const screenOf = ({ matched }: Pick<RouteLocationNormalized, 'matched'>) => matched.at(-1)
  const here = screenOf(router.currentRoute.value)
  return async (to) => {
    if (screenOf(bound.get(router) ?? router.currentRoute.value) !== here) return false
    await router.push(to)
    return true
  }
}
