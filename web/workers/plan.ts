import { wrap, type Remote } from 'comlink'
import type { PlanWork } from './plan.worker'

let remote: Remote<PlanWork> | undefined

/** The worker that lays out campaigns. */
export function planWork(): Remote<PlanWork> {
  remote ??= wrap<PlanWork>(new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' }))
  return remote
}
