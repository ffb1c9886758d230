import { useIntervalFn } from '@vueuse/core'
import { onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { listenTo, listInstruments, type InstrumentInfo, type Sample } from '../../stores/instrumentStream'
import { loadSurveyMeter, saveSurveyMeter } from '../../stores/surveyInHand'

/** Typed by hand, not read by an instrument. */
export const BY_HAND = ''

const AGAIN_MS = 5000

/** The instrument that reads for a survey, if one does: `heard` gets volts and amperes as they come. */
export function useSurveyMeter(heard: (volts: number, amps: number) => void) {
  const meterId = ref(BY_HAND)
  const meters = shallowRef<InstrumentInfo[]>([])
  /** Why nothing comes any more; '' while it does. */
  const lost = ref('')
  let stop = () => {}

  /** The one that read the last survey: chosen again as soon as it is heard, unless another was meanwhile. */
  let before = BY_HAND
  const look = async () => {
    meters.value = (await listInstruments()).filter((i) => i.kind === 'meter')
    if (before !== BY_HAND && meters.value.some((m) => m.id === before)) meterId.value = before
  }
  void loadSurveyMeter()
    .then((id) => (before = id))
    .finally(look)
  /** An instrument says its name a moment after it is heard, and may be plugged in later. */
  useIntervalFn(() => void look(), AGAIN_MS)
  watch(meterId, (id) => {
    before = BY_HAND
    // A choice that cannot be kept is made again next time: it is no reading.
    void saveSurveyMeter(id).catch(() => undefined)
    stop()
    stop = () => {}
    lost.value = ''
    if (id === BY_HAND) return
    stop = listenTo(id, {
      sample: ({ voltage = NaN, current = NaN }: Sample) => {
        lost.value = ''
        heard(voltage, current)
      },
      lost: (why) => (lost.value = why),
    })
  })
  onBeforeUnmount(() => stop())
  return { meterId, meters, lost, look }
}
