import { readPreparing, type Preparing } from '@core/bench/preparing'
import { metaDrawer, writing } from './database'
import { holdingLock } from './writer'

export const loadPreparing = async (): Promise<Preparing[]> =>
  readPreparing(await metaDrawer.getItem('preparing').catch(() => null))

/** Changes the list as it stands: another tab may have written since this one read it. */
export const changePreparing = (how: (now: Preparing[]) => Preparing[]): Promise<Preparing[]> =>
  holdingLock(async () => {
    const kept = how(await loadPreparing())
    await writing(() => metaDrawer.setItem('preparing', JSON.parse(JSON.stringify(kept))))
    return kept
  })
