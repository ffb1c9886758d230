import type { RunPicture, StripKey } from '@core/analysis/runPicture'
import type { Samples } from '@core/trace/samples'
import type { Path, Point } from '../../charts/options'

/** Checks fewer than this are points; more are a log, and drawn as fine stairs. */
const MOST_POINTS = 120

export interface Strip {
  key: StripKey
  title: string
  /** As a value of it is named where it is read off. */
  label: string
  unit: string
  stepped: boolean
  /** From where its scale begins; by what was read where it is not given. */
  min?: number
  paths: Path[]
}

const pointsOf = ({ t, v }: Samples): Point[] => Array.from(t, (x, i) => ({ x, y: v[i] }))

/** How a strip is named and written. */
export function aboutStrip(key: StripKey): Pick<Strip, 'title' | 'label' | 'unit' | 'stepped'> {
  if (key === 'power') return { title: 'Power', label: 'Power', unit: 'W', stepped: false }
  if (key === 'battery')
    return { title: 'Into the battery', label: 'Into the battery', unit: 'W', stepped: false }
  if (key === 'volts') return { title: 'Voltage', label: 'Voltage', unit: 'V', stepped: true }
  const place = key.slice('place '.length)
  const title = place ? place.charAt(0).toUpperCase() + place.slice(1) : 'Temperature'
  return { title, label: place || 'Temperature', unit: '°C', stepped: false }
}

/** What was shown, as points or fine stairs, and the worked-out level in ink. */
export function levelPaths({ shown, shownCount, worked }: RunPicture, ink: number, label: string): Path[] {
  if (shownCount === 0) return []
  const as = shownCount <= MOST_POINTS ? 'points' : 'stairs'
  return [
    { label: 'Shown', ink, points: pointsOf(shown), as },
    { label, ink, points: pointsOf(worked) },
  ]
}

/** Watts, volts and temperatures, each with its own scale. */
export const stripsOf = ({ strips }: RunPicture, ink: number): Strip[] =>
  strips.map(({ key, samples, min }) => {
    const about = aboutStrip(key)
    return { key, ...about, min, paths: [{ label: about.label, ink, points: pointsOf(samples) }] }
  })
