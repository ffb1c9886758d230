import { computed, type ComputedRef, type WritableComputedRef } from 'vue'
import { groups } from 'd3-array'
import type { Analysis } from '@core/analysis/analyse'
import { loadSplit } from '@core/analysis/load'
import { scoresOf } from '@core/analysis/scores'
import { fairness, type FairnessRow } from '@core/compare/fairness'
import type { Side } from '@core/compare/quantities'
import { GOALS, rank, usualGoal, type Goal, type Ranking } from '@core/compare/ranking'
import { OWN_READINGS, repeatsOf } from '@core/compare/repeats'
import { scoreRepeatability as scoreRepeatabilityOf } from '@core/compare/underLoad'
import type { Repeatability } from '@core/compare/verdict'
import { isSimulated, isSound, type Run } from '@core/logbook/run'
import { readingInWords } from '@core/protocol/rules'
import { loadNames } from '@core/protocol/events'
import { capacityThen } from '@core/protocol/runConditions'
import { reachSentence } from '@core/words/sentences/reachWords'
import { repeatSentence } from '@core/words/sentences/repeatWords'
import { verdictSentence } from '@core/words/sentences/verdictSentence'
import { useLearnt } from '../../stores/learnt'
import { useLogbook } from '../../stores/logbook'
import { useSpells } from '../../stores/spells'
import { useTelling } from '../../stores/telling'
import { useAddress } from './useAddress'
import type { Comparison } from './useComparison'
import type { UseThresholdsReturn } from './useThresholds'

/** Runs of one device from one source through one cable, fed from the same. */
export interface SetUp {
  key: string
  runs: Run[]
  sides: Side[]
}
export interface UseVerdictReturn {
  goal: WritableComputedRef<Goal>
  setups: ComputedRef<SetUp[]>
  /** In the order of the set-ups. */
  names: ComputedRef<string[]>
  /** What has a line of its own in a table: each set-up, or each run where there is one set-up alone. */
  lines: ComputedRef<(SetUp & { name: string })[]>
  repeatability: ComputedRef<Repeatability>
  /** How well benchmarks repeat, learnt from runs that are not compared here. */
  scoreRepeatability: ComputedRef<Repeatability>
  ranking: ComputedRef<Ranking>
  fair: ComputedRef<FairnessRow[]>
  /** The same of the lines: the runs of one set-up alone in their order, each with what its own readings tell. */
  lineRanking: ComputedRef<Ranking>
  /** What keeps from a verdict until it is accepted. */
  blocking: ComputedRef<FairnessRow[]>
  accepted: WritableComputedRef<boolean>
  /** Place of the set-up that the others are held against. */
  baseAt: ComputedRef<number>
  sentence: ComputedRef<string>
  /** Where not every run got there; '' where all did. */
  reach: ComputedRef<string>
}

/** How well runs repeat as a write-up keeps it: its share, its degrees of freedom, and whether it was assumed. */
export const priorText = ({ share, freedom, assumed }: Repeatability): string =>
  `${share} ${freedom} ${assumed ? 'assumed' : 'learnt'}`
function priorOf(text: string): Repeatability | null {
  const [share, freedom] = text.split(' ').map(Number)
  return share > 0 && share < 1 && freedom >= 2 && freedom <= 1000
    ? { share, freedom, assumed: text.endsWith('assumed') }
    : null
}

/** The answer of a comparison: set-ups ranked by a goal, and whether they may be compared at all. */
export function useVerdict(comparison: Comparison, thresholds: UseThresholdsReturn): UseVerdictReturn {
  const address = useAddress()
  const logbook = useLogbook()
  const learnt = useLearnt()
  const spells = useSpells()
  const told = useTelling()
  const { worked } = comparison

  /** Of one set-up alone by its runs: there are no two set-ups that reached anything. */
  const usual = computed(() => usualGoal(lines.value.map((s) => s.sides.map(({ analysis }) => analysis))))
  const goal = computed<Goal>({
    get: () => {
      const said = GOALS.find((g) => g.key === address.get('goal'))
      return thresholds.asked(said ?? GOALS.find((g) => g.key === usual.value)!)
    },
    set: ({ key }) => address.set({ goal: key === usual.value ? undefined : key }),
  })
  const accepted = computed<boolean>({
    get: () => address.get('accept') === '1',
    set: (yes) => address.set({ accept: yes ? '1' : undefined }),
  })

  const setups = computed(() => {
    const of = worked.value.flatMap(({ id, analysis }) => {
      const run = logbook.run(id)
      return run ? [{ run, side: sideOf(run, analysis) }] : []
    })
    return groups(of, ({ run }) => comparison.setUpOf(run.id)).map(([key, runs]): SetUp => ({
      key,
      runs: runs.map((r) => r.run),
      sides: runs.map((r) => r.side),
    }))
  })
  function sideOf(run: Run, analysis: Analysis): Side {
    const device = logbook.device(run.deviceId)
    return {
      analysis,
      usableWh: capacityThen(run.conditions).usableWh,
      hoursPerPoint: ((device?.enduranceHours ?? NaN) * (device?.realUseFactor ?? NaN)) / 100,
      load: loadOf(run),
    }
  }
  function loadOf({ id, events, conditions }: Run): Side['load'] {
    const trace = logbook.traces.get(id)
    const isLoaded = events.some(({ kind }) => kind === 'load-start')
    const phases = trace && isLoaded ? loadSplit(trace, events, capacityThen(conditions).usableWh) : []
    return { phases, scores: scoresOf(events) }
  }
  const names = computed(() => setups.value.map(({ key }) => comparison.setUpNames.value[key]))
  const lines = computed(() => {
    const [alone, ...others] = setups.value
    return !alone || others.length > 0
      ? setups.value.map((s, i) => ({ ...s, name: names.value[i] }))
      : alone.runs.map((r, i) => ({ key: r.id, runs: [r], sides: [alone.sides[i]], name: comparison.names.value[r.id] }))
  }) // prettier-ignore
  /** Learnt from repeats that are not compared here: these tell it themselves. */
  const repeatability = computed<Repeatability>(() => {
    const own = thresholds.repeatPercent.value
    if (own > 0) return { share: own / 100, freedom: 30, assumed: false }
    const kept = priorOf(address.get('prior'))
    if (kept) return kept
    const here = new Set(worked.value.map(({ id }) => id))
    return learnt.repeatabilityFor(setups.value[0]?.runs[0], here)
  })
  const scoreRepeatability = computed(() => {
    const kept = priorOf(address.get('scorePrior'))
    if (kept) return kept
    const here = new Set(worked.value.map(({ id }) => id))
    return scoreRepeatabilityOf(
      told.runs.filter((r) => isSound(r) && !here.has(r.id)).map(({ events }) => scoresOf(events)),
    )
  })
  const ranking = computed(() =>
    rank(
      setups.value.map((s) => s.sides.map(({ analysis }) => analysis)),
      goal.value,
      repeatability.value,
    ),
  )
  const isAlone = computed(() => setups.value.length === 1)
  const lineRanking = computed(() =>
    isAlone.value
      ? rank(
          lines.value.map((line) => line.sides.map(({ analysis }) => analysis)),
          goal.value,
          OWN_READINGS,
        )
      : ranking.value,
  )
  const fair = computed(() =>
    fairness(
      setups.value.flatMap(({ runs, sides }) =>
        runs.map((run, i) => ({
          startPercent: sides[i].analysis.startPercent,
          conditions: run.conditions,
          loads: loadNames(run.events),
          simulated: isSimulated(run),
          cable: logbook.cable(run.cableId)?.name ?? '',
          meter: logbook.meter(run.conditions.meterId)?.name ?? '',
          reading: readingInWords(run.reading),
          corrected: run.corrections.length > 0,
          fedBeside: spells.fedBesideOf(run.id),
        })),
      ),
      comparison.alignment.value.percent !== null,
    ),
  )
  const devices = computed(() => new Set(setups.value.map(({ runs: [run] }) => run.deviceId)).size)
  /** Different devices are compared for being different: their health is their own. */
  const blocking = computed(() =>
    fair.value.filter(
      (r) =>
        r.weight === 'blocking' &&
        r.state === 'different' &&
        !(r.label === 'Battery health' && devices.value > 1),
    ),
  )
  const baseAt = computed(() => {
    const isBase = ({ runs }: SetUp) => runs.some((r) => r.id === comparison.baseline.value)
    return Math.max(0, setups.value.findIndex(isBase))
  }) // prettier-ignore
  /** Of one set-up alone there is nothing to lead; how well it repeats is its answer. */
  const repeats = computed(() =>
    isAlone.value
      ? repeatsOf(
          goal.value,
          setups.value[0].sides.map(({ analysis }) => analysis),
        )
      : null,
  )
  const from = computed(() => comparison.alignment.value.percent)
  const sentence = computed(() =>
    repeats.value
      ? repeatSentence(goal.value, repeats.value, names.value[0], repeatability.value, from.value)
      : verdictSentence(goal.value, ranking.value, names.value, from.value),
  )
  const reach = computed(() =>
    repeats.value
      ? ''
      : reachSentence(
          goal.value,
          ranking.value,
          setups.value.map(({ runs }, i) => ({ name: names.value[i], runs: runs.length })),
        ),
  )
  return {
    goal,
    setups,
    names,
    lines,
    repeatability,
    scoreRepeatability,
    ranking,
    lineRanking,
    fair,
    blocking,
    accepted,
    baseAt,
    sentence,
    reach,
  }
}
