import { computed, ref, shallowRef, toRaw, watch, type ComputedRef, type Ref, type ShallowRef } from 'vue'
import type { Joined } from '@core/analysis/joining/join'
import { powerColumn, type Trace } from '@core/trace/trace'
import { figure } from '@core/words/figures'
import type { OneEnd } from '../../stores/importedRun'
import { analysisWork } from '../../workers/analysis'
import { handOver } from '../../workers/handOver'

export interface UseJoinReturn {
  /** The one that was read at the source, and the one that was read off the device. */
  meter: ComputedRef<OneEnd>
  device: ComputedRef<OneEnd>
  swap: () => void
  /** Added to the device's clock, s; NaN before it was found or given. */
  offsetS: Ref<number>
  /** How it came about, in words; or why it could not be found. */
  said: Ref<string>
  isFound: Ref<boolean>
  /** Moves the device's clock; each move can be undone. */
  move: (toS: number) => void
  undo: () => void
  mayUndo: ComputedRef<boolean>
  /** Both on one clock, as the offset is now. @throws Error in words */
  whole: () => Promise<Joined>
  joined: ShallowRef<Joined | null>
}

const BY = {
  'start-of-current': 'by the start of current in both',
  energy: 'by energy delivered against level shown',
  given: 'as given',
}
const TENTH = 10
/** What shows no level is the meter's. */
const isMeters = ({ trace }: OneEnd): boolean =>
  powerColumn(trace) !== undefined && trace.percent === undefined

/** Puts two ends of one run on one clock: found first, moved as the reviewer sees fit. */
export function useJoin(first: () => OneEnd, second: () => OneEnd): UseJoinReturn {
  const swapped = ref(isMeters(second()) && !isMeters(first()))
  const meter = computed(() => (swapped.value ? second() : first()))
  const device = computed(() => (swapped.value ? first() : second()))
  const offsetS = ref(NaN)
  const said = ref('')
  const isFound = ref(false)
  const joined = shallowRef<Joined | null>(null)
  const before = ref<number[]>([])

  async function join(given?: number): Promise<Joined> {
    const worker = analysisWork()
    const handed = (trace: Trace) => handOver(worker, toRaw(trace))
    const [ofMeter, ofDevice] = [await handed(meter.value.trace), await handed(device.value.trace)]
    return worker.join(ofMeter, ofDevice, given)
  }

  let looks = 0
  async function find() {
    const look = ++looks
    before.value = []
    isFound.value = false
    offsetS.value = NaN
    joined.value = null
    said.value = 'Looking how their clocks lie …'
    try {
      const found = await join()
      // The ends were swapped meanwhile: this is the answer to another question.
      if (look !== looks) return
      offsetS.value = Math.round(found.offsetS * TENTH) / TENTH
      joined.value = found
      isFound.value = true
      const sure = Number.isNaN(found.uncertaintyS) ? '' : ` ± ${figure(2 * found.uncertaintyS, 1, 's')}`
      said.value = `Found ${BY[found.by]}: ${figure(found.offsetS, 1, 's')}${sure}.`
    } catch (error) {
      if (look === looks) said.value = (error as Error).message
    }
  }
  watch([meter, device], find, { immediate: true })

  function move(toS: number) {
    if (Number.isNaN(toS) || toS === offsetS.value) return
    before.value = [...before.value, offsetS.value]
    offsetS.value = Math.round(toS * TENTH) / TENTH
  }
  function undo() {
    const last = before.value.at(-1)
    if (last === undefined) return
    before.value = before.value.slice(0, -1)
    offsetS.value = last
  }
  return {
    meter,
    device,
    swap: () => void (swapped.value = !swapped.value),
    offsetS,
    said,
    isFound,
    move,
    undo,
    mayUndo: computed(() => before.value.length > 0),
    async whole() {
      if (Number.isNaN(offsetS.value)) throw new Error('Give the offset of the two clocks first.')
      // As found, to its last digit, while nobody moved it.
      return join(before.value.length || !isFound.value ? offsetS.value : undefined)
    },
    joined,
  }
}
