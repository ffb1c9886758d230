import { computed, toValue, type ComputedRef, type MaybeRefOrGetter } from 'vue'
import { useRoute, type RouteLocationRaw } from 'vue-router'
import type { Goal } from '@core/compare/ranking'
import type { Repeatability } from '@core/compare/verdict'
import type { WriteUp } from '@core/logbook/writeUp'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'
import { useWriteUps } from '../../stores/writeUps'
import { useAddress } from './useAddress'
import { priorText } from './useVerdict'
import { useGoOn } from '../../composables/goOn'
import { placeOf } from '../../composables/places'

export interface UseWritingUpReturn {
  /** The write-up whose comparison is being changed here, if one is. */
  writeUp: ComputedRef<WriteUp | undefined>
  backToWriteUp: ComputedRef<RouteLocationRaw>
  /** Begins a write-up of the comparison as it stands, and goes there. */
  writeItUp: () => Promise<void>
}

/** The way from a comparison to its write-up: what was chosen goes along in the address. */
export function useWritingUp(
  sentence: MaybeRefOrGetter<string>,
  repeatability: MaybeRefOrGetter<Repeatability>,
  goal: MaybeRefOrGetter<Goal>,
  /** How well benchmarks repeat; null where none was noted. */
  scores: MaybeRefOrGetter<Repeatability | null>,
): UseWritingUpReturn {
  const [route, goOn] = [useRoute(), useGoOn()]
  const { get } = useAddress()
  const logbook = useLogbook()
  const notices = useNotices()
  const writeUp = computed(() => logbook.writeUp(get('writeUp')))
  /** What stands in the address, without the write-up that it was changed for. */
  const settings = () => {
    const { writeUp: _for, ...query } = route.query
    return query as Record<string, string>
  }
  const backToWriteUp = computed(() => ({ path: placeOf('write-up', get('writeUp')), query: settings() }))
  async function writeItUp() {
    try {
      // What the logbook told goes with it, of repeats and of what is reached: this one later would tell something else.
      const told = { goal: toValue(goal).key, prior: priorText(toValue(repeatability)) }
      const ofScores = toValue(scores)
      const query = {
        ...told,
        ...settings(),
        prior: told.prior,
        ...(ofScores ? { scorePrior: priorText(ofScores) } : {}),
      }
      const id = await useWriteUps().begin(toValue(sentence), new URLSearchParams(query).toString())
      await goOn({ path: placeOf('write-up', id), query })
    } catch (error) {
      notices.fail(error)
    }
  }
  return { writeUp, backToWriteUp, writeItUp }
}
