import { PICTURE_VERSION, type KeptPicture } from '@core/analysis/runPicture'
import type { Run } from '@core/logbook/run'
import { pausesOf } from '@core/trace/pauses'
import { keepPicture, readPicture } from '../storage/pictures'
import { useLogbook } from './logbook'

/** Everything that a run is drawn from: another trace or another pause is another picture. */
export function pictureBasis(run: Run): string {
  const key = useLogbook().traceKeys.get(run.id)
  return `${PICTURE_VERSION} ${key} ${JSON.stringify(pausesOf(run.events))}`
}

/** What was drawn of a run when it was open last; undefined where it was not kept or no longer holds. */
export const keptPicture = (run: Run): Promise<KeptPicture | undefined> =>
  readPicture(run.id, pictureBasis(run))

/** Keeps what was drawn of a run. */
export const keepRunPicture = (run: Run, whole: KeptPicture): Promise<unknown> =>
  keepPicture(run.id, pictureBasis(run), whole)
