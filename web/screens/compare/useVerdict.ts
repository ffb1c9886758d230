import { computed, type ComputedRef, type WritableComputedRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Analysis } from '@core/analysis/analyse'
import { fairness, type FairnessRow } from '@core/compare/fairness'
import { figuresOf, GOALS, rank, type Goal, type Ranking } from '@core/compare/ranking'
import { ASSUMED_REPEATABILITY, pooledRepeatability } from '@core/compare/verdict'
import type { Run } from '@core/logbook/run'
import { readingInWords } from '@core/protocol/rules'
import { tellingNames } from '@core/words/names'
import { verdictSentence } from '@core/words/sentences/verdictSentence'
import { useLogbook } from '../../stores/logbook'

/** Runs of one device from one source through one cable. */
export interface SetUp {
  key: string
  runs: Run[]
  analyses: Analysis[]
}
export interface UseVerdictReturn {
  goal: WritableComputedRef<Goal>
  setups: ComputedRef<SetUp[]>
  /** By a set-up's key. */
  names: ComputedRef<Record<string, string>>
  ranking: ComputedRef<Ranking>
  fair: ComputedRef<FairnessRow[]>
  /** What keeps from a verdict until it is accepted. */
  blocking: ComputedRef<FairnessRow[]>
  accepted: WritableComputedRef<boolean>
  sentence: ComputedRef<{ text: string; advice: string }>
}

const keyOf = ({ deviceId, sourceId, cableId }: Run) => `${deviceId} ${sourceId} ${cableId}`

/** The answer of a comparison: set-ups ranked by a goal, and whether they may be compared at all. */
export function useVerdict(
  worked: ComputedRef<{ id: string; analysis: Analysis }[]>,
  isAligned: () => boolean,
): UseVerdictReturn {
  const route = useRoute()
  const router = useRouter()
  const logbook = useLogbook()
  const inAddress = (key: string, value: string | undefined) =>
    void router.replace({ query: { ...route.query, [key]: value } })

  const goal = computed<Goal>({
    get: () => GOALS.find((g) => g.key === route.query.goal) ?? GOALS.find((g) => g.key === 'full')!,
    set: ({ key }) => inAddress('goal', key),
  })
  const accepted = computed<boolean>({
    get: () => route.query.accept === '1',
    set: (yes) => inAddress('accept', yes ? '1' : undefined),
  })

  const setups = computed(() => {
    const found = new Map<string, SetUp>()
    for (const { id, analysis } of worked.value) {
      const run = logbook.run(id)
      if (!run) continue
      const key = keyOf(run)
      const setup = found.get(key) ?? { key, runs: [], analyses: [] }
      found.set(key, { key, runs: [...setup.runs, run], analyses: [...setup.analyses, analysis] })
    }
    return [...found.values()]
  })
  const names = computed(() =>
    tellingNames(
      setups.value.map(({ key, runs: [run] }) => ({
        id: key,
        device: logbook.device(run.deviceId)?.name,
        source: logbook.source(run.sourceId)?.name,
      })),
    ),
  )
  const ranking = computed(() => {
    const all = setups.value.map((s) => s.analyses)
    const told = pooledRepeatability(all.map((runs) => figuresOf(goal.value, runs).values))
    return rank(
      all,
      goal.value,
      told && told.freedom >= ASSUMED_REPEATABILITY.freedom ? told : ASSUMED_REPEATABILITY,
    )
  })
  const fair = computed(() =>
    fairness(
      setups.value.flatMap(({ runs, analyses }) =>
        runs.map((run, i) => ({
          startPercent: analyses[i].startPercent,
          conditions: run.conditions,
          cable: logbook.cable(run.cableId)?.name ?? '',
          meter: logbook.meter(run.conditions.meterId)?.name ?? '',
          reading: readingInWords(run.reading),
          corrected: run.corrections.length > 0,
        })),
      ),
      isAligned(),
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
  const sentence = computed(() =>
    verdictSentence(
      goal.value,
      ranking.value,
      setups.value.map(({ key }) => names.value[key]),
      setups.value.map(({ runs: [run] }) => {
        const source = logbook.source(run.sourceId)
        return { owned: source?.owned === true, cost: source?.price ?? Infinity }
      }),
    ),
  )
  return { goal, setups, names, ranking, fair, blocking, accepted, sentence }
}
