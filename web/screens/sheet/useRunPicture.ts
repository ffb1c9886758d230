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
import { handOver, isLong } from '../../workers/handOver'
import { drawElsewhere, type PictureInHand } from '../../workers/picture'

export interface UseRunPictureOptions {
  /** Undefined while it is read. */
  trace: MaybeRefOrGetter<Trace | undefined>
  /** How the whole was drawn last: it stands until this time's picture is there. */
  kept: MaybeRefOrGetter<RunPicture | undefined>
  options: MaybeRefOrGetter<PictureOptions>
  across: MaybeRefOrGetter<'clock' | 'level'>
  /** Told what was drawn elsewhere, and of which readings. */
  onDrawn: (picture: RunPicture, trace: Trace) => void
}

/**
 * What is to be drawn of a run: of a long one by a worker, so that a million readings hold nothing up. Undefined until
 * the first picture is there, or the one that was kept; then the last one stands until the next comes.
 */
export function useRunPicture({ trace, kept, options, across, onDrawn }: UseRunPictureOptions): ComputedRef<RunPicture | undefined> {
  /** A worker that cannot run leaves it to the page: slow, but drawn. */
  const failed = ref(false)
  const elsewhere = computed(() => {
    const now = toValue(trace)
    return now && !failed.value && isLong(now) ? now : undefined
  })
  const samples = computed(() => {
    const now = toValue(trace)
    return now && !elsewhere.value ? samplesOfRun(now) : null
  })
  const own = computed(() => {
    if (!samples.value) return undefined
    return toValue(across) === 'level'
      ? pictureByLevel(samples.value, toValue(options).spans)
      : pictureOf(samples.value, toValue(options))
  })

  const drawn = shallowRef<RunPicture>()
  let inHand: (PictureInHand & { trace: Trace }) | undefined
  /** What is asked for while the worker draws is asked for once it has: only the last of it is wanted. */
  let drawing = false
  let stale = false
  async function draw() {
    if (!inHand) return
    stale = drawing
    if (drawing) return
    drawing = true
    const { work, trace } = inHand
    const picture = await work.draw({ ...toValue(options) }, toValue(across)).catch(() => null)
    drawing = false
    if (inHand?.work !== work) return
    if (picture) {
      drawn.value = picture
      onDrawn(picture, trace)
    }
    if (stale) void draw()
  }
  async function begin(trace: Trace) {
    const mine = (inHand = { trace, ...drawElsewhere(() => (failed.value = true)) })
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
    elsewhere,
    (now) => {
      end()
      drawn.value = undefined
      if (now) void begin(now)
    },
    { immediate: true },
  )
  watch([() => toValue(options), () => toValue(across)], () => void draw())
  onScopeDispose(end)
  return computed(
    () => own.value ?? drawn.value ?? (toValue(across) === 'clock' ? toValue(kept) : undefined),
  )
} // prettier-ignore
