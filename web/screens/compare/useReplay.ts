import { useRafFn } from '@vueuse/core'
import { computed, ref, watch, type ComputedRef, type Ref } from 'vue'
import { useTheme } from 'vuetify'
import { replayLength, replayOf, type ReplayRun } from '@core/compare/replay'
import type { ReplayLook } from '@core/formats/replayPicture'
import { isSimulated } from '@core/logbook/run'
import { reduce } from '@core/trace/reduce'
import type { Samples } from '@core/trace/samples'
import { chartColours, inkColour } from '../../charts/colours'
import { inkOf } from '../../theme/inks'
import { countedTrace } from '../../stores/counted'
import { useLogbook } from '../../stores/logbook'
import { comparedSamples, mayBeDrawn } from './compareSamples'
import { MOST_INKS, type Comparison } from './useComparison'

export interface UseReplayReturn {
  runs: ComputedRef<ReplayRun[]>
  look: ComputedRef<ReplayLook>
  /** s of the runs' clock. */
  lengthS: ComputedRef<number>
  atS: Ref<number>
  playing: Ref<boolean>
  /** How many seconds of the clock pass in one. */
  pace: Ref<number>
  toggle: () => void
  step: (seconds: number) => void
}

const TEXT_FACE = "'Atkinson Hyperlegible Next Variable', sans-serif"
const FIGURE_FACE = "'Atkinson Hyperlegible Mono Variable', monospace"
const DEFAULT_PACE = 300

/** A path is drawn anew with every frame: no more of it than can be seen. */
const WIDEST_PX = 1200
const drawn = (samples: Samples): Samples => reduce(samples, WIDEST_PX)

/** The chosen runs, played again side by side on one clock. */
export function useReplay(comparison: Comparison): UseReplayReturn {
  const { runs: chosen, worked, names, inks, alignment, pathOf, pathOrder } = comparison
  const logbook = useLogbook()
  const theme = useTheme()
  const atS = ref(0)
  const playing = ref(false)
  const pace = ref(DEFAULT_PACE)

  /** Of more runs than there are inks one of each set-up, the first of it. */
  const played = computed(() =>
    chosen.value.length <= MOST_INKS
      ? chosen.value
      : pathOrder.value
          .slice(0, MOST_INKS)
          .flatMap((key) => chosen.value.find(({ id }) => pathOf(id) === key) ?? []),
  )
  const runs = computed<ReplayRun[]>(() =>
    played.value.flatMap((run) => {
      const trace = logbook.traces.get(run.id)
      const analysis = worked.value.find((w) => w.id === run.id)?.analysis
      if (!trace || !analysis) return []
      const counted = countedTrace(run, trace)
      const shiftS = alignment.value.shiftS[chosen.value.indexOf(run)] || 0
      const isOwn = !mayBeDrawn(counted, 'power') && mayBeDrawn(counted, 'battery')
      const of = { id: run.id, name: names.value[run.id], simulated: isSimulated(run), isOwn }
      const watts = comparedSamples(counted, isOwn ? 'battery' : 'power')
      const paths = { level: drawn(comparedSamples(counted, 'level')), watts: drawn(watts) }
      return [replayOf(of, paths, analysis, shiftS)]
    }),
  )
  const look = computed<ReplayLook>(() => {
    const colours = chartColours(theme.current.value as never)
    const { page, text, quiet, grid, accent } = colours
    const ink = (id: string) => ({
      colour: inkColour(inks.value[id], colours),
      dash: inkOf(inks.value[id]).dash,
    })
    return {
      inks: Object.fromEntries(runs.value.map(({ id }) => [id, ink(id)])),
      colours: { page, text, quiet, grid, accent },
      text: TEXT_FACE,
      figures: FIGURE_FACE,
    }
  })
  const lengthS = computed(() => replayLength(runs.value))

  const frames = useRafFn(
    ({ delta }) => {
      const passed = delta / 1000
      atS.value = Math.min(lengthS.value, atS.value + passed * pace.value)
      if (atS.value >= lengthS.value) playing.value = false
    },
    { immediate: false },
  )
  watch(playing, (on) => (on ? frames.resume() : frames.pause()))
  return {
    runs,
    look,
    lengthS,
    atS,
    playing,
    pace,
    toggle() {
      if (!playing.value && atS.value >= lengthS.value) atS.value = 0
      playing.value = !playing.value
    },
    step(seconds) {
      playing.value = false
      atS.value = Math.min(lengthS.value, Math.max(0, atS.value + seconds))
    },
  }
}
