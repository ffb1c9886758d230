import { computed, type ComputedRef } from 'vue'
import { isByHand } from '@core/bench/setup'
import type { ShownLevel } from '@core/bench/levels'
import type { Path, Tick } from '../../charts/options'
import type { Lane } from '../../stores/lane'

/** Redrawing a path of thousands of points more often than this helps nobody, s. */
const REDRAW_S = 1

/** A lane's levels so far: the thinned ones, and the last as it was read. */
export function levelsOf({ state: { levels } }: Lane): readonly ShownLevel[] {
  const list = levels.list()
  return levels.last && levels.last.t > (list.at(-1)?.t ?? -1) ? [...list, levels.last] : list
}

export interface LanePath {
  paths: ComputedRef<Path[]>
  events: ComputedRef<Tick[]>
  /** s */
  until: ComputedRef<number>
}

/** The path of a lane so far, as a chart wants it. */
export function useLanePath(lane: () => Lane): LanePath {
  const drawn = computed(() => Math.floor(lane().count / (isByHand(lane().setup) ? 1 : 4 * REDRAW_S)))
  const paths = computed<Path[]>(() => {
    void drawn.value
    const points = levelsOf(lane()).map(({ t, percent }) => ({ x: t, y: percent }))
    return [{ label: 'Level', ink: lane().setup.ink, points }]
  })
  const events = computed(() =>
    lane().count >= 0 ? lane().state.events.map((e) => ({ x: e.t, text: e.text })) : [],
  )
  /** The frame grows in steps, so that the path is not squeezed anew with every reading. */
  const until = computed(() => Math.ceil(Math.max(lane().elapsedS, 3600) / 1800) * 1800)
  return { paths, events, until }
}
