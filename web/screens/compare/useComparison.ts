import { groups } from 'd3-array'
import { computed, watch } from 'vue'
import { baselineAmong } from '@core/compare/choices'
import { farthest } from '@core/compare/farthest'
import { quickestFirst } from '@core/compare/quickest'
import { slownessOf } from '@core/compare/ranking'
import { fromCommonLevel, fromPowerOn, onAlignedClock } from '@core/compare/align'
import type { Run } from '@core/logbook/run'
import { setUpsOf, waysOf } from '@core/logbook/setUps'
import type { Trace } from '@core/trace/trace'
import { figure } from '@core/words/figures'
import { tellingNames } from '@core/words/names'
import { shortDay, ofRun } from '@core/words/moments'
import { useAnalyses } from '../../stores/analyses'
import { useLogbook } from '../../stores/logbook'
import { useSpells } from '../../stores/spells'
import { useAddress } from './useAddress'
import { idsAsWord, idsInWord } from '../../composables/places'

const NOTHING: Trace = { time: new Float64Array(0), temperatures: {} }

export const healthWords = (percent = ''): string =>
  percent ? `health ${figure(Number(percent), 0, '%')}` : ''

/** More set-ups than this on one chart are drawn thin and grey. */
export const MOST_INKS = 8
export const ALIGNMENTS = ['start', 'level'] as const

/** The chosen runs and their figures on one clock. */
export function useComparison() {
  const address = useAddress()
  const logbook = useLogbook()
  const spells = useSpells()
  const analyses = useAnalyses()

  const chosen = computed<string[]>({
    get: () => [...new Set(idsInWord(address.get('runs')))].filter((id) => logbook.run(id)),
    set: (ids) => address.set({ runs: idsAsWord(ids) }),
  })
  const runs = computed(() => chosen.value.map((id) => logbook.run(id)!))
  const slowness = computed(() => {
    const known = chosen.value.flatMap((id) => analyses.of(id) ?? [])
    return known.length === chosen.value.length ? slownessOf(known) : []
  })
  /** What came in the box, what is owned, or the slowest; unless the reviewer says which. */
  const usualBaseline = computed(() => {
    const place = baselineAmong(
      runs.value.map((r, i) => ({
        inBox: logbook.source(r.sourceId)?.inBox === true,
        owned: logbook.source(r.sourceId)?.owned === true,
        slow: slowness.value[i] ?? NaN,
      })),
    )
    return chosen.value[place] ?? ''
  })
  const baseline = computed<string>({
    get: () =>
      chosen.value.includes(address.get('baseline')) ? address.get('baseline') : usualBaseline.value,
    set: (id) => address.set({ baseline: id }),
  })
  /** The clocks: from power-on, or from the highest common start level. */
  const align = address.word('align', ALIGNMENTS)
  watch(chosen, (ids) => ids.forEach((id) => void analyses.ask(id)), { immediate: true })

  const alignment = computed(() => {
    const traces = runs.value.map((r) => logbook.traces.get(r.id))
    const known = traces.filter((t) => t !== undefined)
    return align.value === 'level' && known.length === traces.length && known.length > 1
      ? fromCommonLevel(known)
      : fromPowerOn(runs.value.map(() => NOTHING))
  })
  // What repeats tell is learnt from all runs: a verdict before they were gone through would be another a moment later.
  void analyses.fill().catch(() => undefined)
  const busy = computed(() => !analyses.filled || chosen.value.some((id) => !analyses.of(id)))
  /** Figures on the clock that was chosen: a verdict on times from another clock would be none. */
  const worked = computed(() =>
    chosen.value.flatMap((id, i) => {
      const [analysis, trace] = [analyses.of(id), logbook.traces.get(id)]
      const { percent, shiftS } = alignment.value
      if (!analysis) return []
      return [{ id, analysis: trace ? onAlignedClock(analysis, trace, percent, shiftS[i]) : analysis }]
    }),
  )
  const setUps = computed(() => setUpsOf(runs.value, spells.besideOf))
  /** What tells a run from others, beside its gear's names. */
  const told = (r: Run) => ({
    device: logbook.device(r.deviceId)?.name,
    source: logbook.source(r.sourceId)?.name,
    fedFrom: logbook.source(r.conditions.fedFromId ?? '')?.name,
    cable: logbook.cable(r.cableId)?.name,
    unit: r.conditions.unitLabel,
    software: r.conditions.software,
    chain: setUps.value.get(r.id)?.chain,
    state: setUps.value.get(r.id)?.state,
    load: setUps.value.get(r.id)?.load,
    made: setUps.value.get(r.id)?.made,
    beside: setUps.value.get(r.id)?.beside,
    health: healthWords(setUps.value.get(r.id)?.health),
  })
  const ways = computed(() => waysOf(runs.value, spells.besideOf))
  const names = computed(() =>
    tellingNames(runs.value.map((r) => ({ id: r.id, ...told(r), day: ofRun(shortDay)(r) }))),
  )
  /** Of which set-up a chosen run is. */
  const setUpOf = (id: string): string => setUps.value.get(id)?.key ?? ''
  const setUpNames = computed(() =>
    tellingNames(
      [...new Map(runs.value.map((r) => [setUpOf(r.id), r]))].map(([id, r]) => ({ id, ...told(r) })),
    ),
  )
  /** Repeats of one set-up alone, few enough for the inks: each is drawn by itself, under its own name. */
  const isApart = computed(
    () => runs.value.length <= MOST_INKS && new Set(runs.value.map((r) => setUpOf(r.id))).size === 1,
  )
  /** What is drawn in one ink: a set-up, or one of its runs. */
  const pathOf = (id: string): string => (isApart.value ? id : setUpOf(id))
  const pathNames = computed(() => (isApart.value ? names.value : setUpNames.value))
  /** In the order in which they were chosen; of more than there are inks the quickest first. */
  const pathOrder = computed(() => {
    const keys = [...new Set(runs.value.map((r) => pathOf(r.id)))]
    if (keys.length <= MOST_INKS) return keys
    return quickestFirst(runs.value.map(({ id }, i) => ({ key: pathOf(id), slow: slowness.value[i] ?? NaN })))
  })
  /** Those that are drawn in ink. */
  const inked = computed<ReadonlySet<string>>(() => new Set(pathOrder.value.slice(0, MOST_INKS)))
  /** Repeats of a set-up share its ink. Two that carry the same from elsewhere: the later one borrows a free one. */
  const inks = computed(() => {
    const taken = new Map<string, number>()
    const first = new Map(runs.value.toReversed().map((r) => [pathOf(r.id), r]))
    for (const key of pathOrder.value) {
      const r = first.get(key)!
      const used = new Set(taken.values())
      const free = Array.from({ length: MOST_INKS }, (_, i) => i).find((i) => !used.has(i)) ?? r.ink
      taken.set(key, used.has(r.ink % MOST_INKS) ? free : r.ink % MOST_INKS)
    }
    return Object.fromEntries(runs.value.map((r) => [r.id, taken.get(pathOf(r.id))!]))
  })
  /** Which run of a path bears its name in a picture, by its key. */
  const bearers = computed(() => {
    const known = groups(worked.value, ({ id }) => pathOf(id))
    return new Map(known.map(([key, own]) => [key, own[farthest(own.map((w) => w.analysis))]?.id]))
  })
  return {
    bearers,
    chosen,
    baseline,
    align,
    alignment,
    runs,
    worked,
    names,
    told,
    ways,
    setUpOf,
    setUpNames,
    inks,
    pathOf,
    pathNames,
    pathOrder,
    inked,
    busy,
  }
}
export type Comparison = ReturnType<typeof useComparison>
