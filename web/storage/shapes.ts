import type { ColumnMeaning } from '@core/formats/columns'
import { metaDrawer } from './database'

/** So many shapes of tables are remembered; the oldest go. */
const MOST = 40
type Shapes = Record<string, ColumnMeaning[]>

/** How columns were named, by the shape of the table. What cannot be read is nothing lost: they are guessed again. */
export async function loadShapes(): Promise<Shapes> {
  const stored = await metaDrawer.getItem<Shapes>('shapes').catch(() => null)
  return typeof stored === 'object' && stored !== null ? stored : {}
}

export async function keepShape(shape: string, meanings: readonly ColumnMeaning[]): Promise<void> {
  const { [shape]: _before, ...others } = await loadShapes()
  const kept = [...Object.entries(others), [shape, JSON.parse(JSON.stringify(meanings))] as const].slice(
    -MOST,
  )
  await metaDrawer.setItem('shapes', Object.fromEntries(kept)).catch(() => undefined)
}
