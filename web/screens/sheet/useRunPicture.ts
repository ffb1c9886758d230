import {
  computed,
  onScopeDispose,
  ref,
  shallowRef,
  toValue,
  watch,
  type ComputedRef,
  type MaybeRefOrGetter,
} from 'vue'
import {
  pictureByLevel,
  pictureOf,
  samplesOfRun,
  type PictureOptions,
  type RunPicture,
} from '@core/analysis/runPicture'
import type { Trace } from '@core/trace/trace'
import { handOver } from '../../workers/handOver'
import { drawElsewhere, type PictureInHand } from '../../workers/picture'

/** Up to so many readings a run is drawn at once: a worker's answer would come later than the picture. */
const DRAWN_AT_ONCE = 30_000

export interface UseRunPictureOptions {
  trace: MaybeRefOrGetter<Trace>
  options: MaybeRefOrGetter<PictureOptions>
  across: MaybeRefOrGetter<'clock' | 'level'>
}

/**
 * What is to be drawn of a run: of a long one by a worker, so that a million readings hold nothing up. Undefined until
 * the first picture is there; then the last one stands until the next comes.
 */
export function useRunPicture({ trace, options, across }: UseRunPictureOptions): ComputedRef<RunPicture | undefined> {
  /** A worker that cannot run leaves it to the page: slow, but drawn. */
  const failed = ref(false)
  const isLong = computed(() => !failed.value && toValue(trace).time.length > DRAWN_AT_ONCE)
  const samples = computed(() => (isLong.value ? null : samplesOfRun(toValue(trace))))
  const own = computed(() => {
    if (!samples.value) return undefined
    return toValue(across) === 'level'
      ? pictureByLevel(samples.value, toValue(options).spans)
      : pictureOf(samples.value, toValue(options))
  })

  const drawn = shallowRef<RunPicture>()
  let inHand: PictureInHand | undefined
  /** What is asked for while the worker draws is asked for once it has: only the last of it is wanted. */
  let drawing = false
  let stale = false
  async function draw() {
    if (!inHand) return
    stale = drawing
    if (drawing) return
    drawing = true
    const { work } = inHand
    const picture = await work.draw({ ...toValue(options) }, toValue(across)).catch(() => null)
    drawing = false
    if (inHand?.work !== work) return
    if (picture) drawn.value = picture
    if (stale) void draw()
  }
  async function begin(trace: Trace) {
    const mine = (inHand = drawElsewhere(() => (failed.value = true)))
    try {
      await mine.work.take(await handOver(mine.work, trace))
      if (inHand === mine) await draw()
    } catch {
      // Another run has its turn, or this one cannot be drawn there.
      if (inHand === mine) failed.value = true
    }
  }
  function end() {
    inHand?.end()
    inHand = undefined
    drawing = false
  }
  watch(
    () => toValue(trace),
    (now) => {
      end()
      drawn.value = undefined
      if (!isLong.value) return
      void begin(now)
    },
    { immediate: true },
  )
  watch([() => toValue(options), () => toValue(across)], () => void draw())
  onScopeDispose(end)
  return computed(() => own.value ?? drawn.value)
} // prettier-ignore
