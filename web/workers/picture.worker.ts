import { expose, transfer } from 'comlink'
import {
  pictureByLevel,
  pictureOf,
  samplesOfRun,
  type PictureOptions,
  type RunPicture,
  type RunSamples,
} from '@core/analysis/runPicture'
import type { Samples } from '@core/trace/samples'
import type { Trace } from '@core/trace/trace'
import { traceParts } from './traceParts'

const parts = traceParts()
let held: RunSamples | null = null

/** A part of a long column would be sent with all of it. */
const cut = ({ t, v }: Samples): Samples => ({ t: t.slice(), v: v.slice() })

const work = {
  part: parts.part,
  /** Takes the run that is to be drawn from now on, instead of the one before. */
  take(trace: Trace | string): void {
    held = samplesOfRun(parts.whole(trace))
  },
  /** What is to be drawn of it; null where none was taken. */
  draw(options: PictureOptions, across: 'clock' | 'level'): RunPicture | null {
    if (!held) return null
    const made = across === 'level' ? pictureByLevel(held, options.spans) : pictureOf(held, options)
    const picture = {
      ...made,
      shown: cut(made.shown),
      worked: cut(made.worked),
      strips: made.strips.map((strip) => ({ ...strip, samples: cut(strip.samples) })),
    }
    const columns = [picture.shown, picture.worked, ...picture.strips.map((s) => s.samples)]
    return transfer(picture, columns.flatMap(({ t, v }) => [t.buffer, v.buffer])) // prettier-ignore
  },
}

export type PictureWork = typeof work
expose(work)
