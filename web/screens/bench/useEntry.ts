import { computed, reactive, ref, watch } from 'vue'
import { asRead, duration, figure, keptValue, UNKNOWN } from '@core/words/figures'
import { degreesSchema, entrySchema, fromMeterUnits } from '@core/protocol/entry'
import { lineOrder, oneLine } from '@core/protocol/oneLine'
import type { Doubt } from '@core/protocol/suspicion'
import { CHANNELS, channel, type Channel } from '@core/trace/channels'
import { decimal } from '@core/trace/decimal'
import type { Reading } from '@core/trace/trace'
import { checkTyped, yupErrors } from '../../forms/yupErrors'
import { useBench } from '../../stores/bench'
import type { Lane } from '../../stores/lane'
import { useLogbook } from '../../stores/logbook'
import { useDoubt } from './useDoubt'

/** What may be typed of a reading. */
export type Field = Channel
const blank = () => Object.fromEntries(CHANNELS.map((c) => [c, ''])) as Record<Field, string>

/** Typing one reading after another: checks it, asks once about what is odd, notes it. */
export function useEntry(current: () => Lane | undefined, heatDue: (lane: Lane) => number | null) {
  const bench = useBench()
  const logbook = useLogbook()
  const doubtOf = useDoubt()
  const typed = reactive(blank())
  const degrees = reactive<Record<string, string>>({})
  const errors = ref<Record<string, string>>({})
  const question = ref('')
  const saved = ref('')
  /** What was noted but is not stored, in words; '' while everything is safe. */
  const unsafe = ref('')
  const busy = ref(false)
  const mode = ref<'watts' | 'volts'>('watts')
  /** The meter's own running totals are typed too. */
  const counting = ref(false)
  /** What arrives at the battery is read off the device, beside what the meter at the source shows. */
  const bothEnds = ref(false)
  /** The entry that was asked about: typed the same again, it is kept. */
  let asked = ''
  let askedFor: Doubt['cause'] | undefined
  /** Enter was pressed while a reading was on its way to the disk. */
  let isWaiting = false
  /** What a lane's reviewer has said is so: it is not asked again. */
  const settled = new Map<string, Set<Doubt['cause']>>()
  /** The entry that was noted but refused by storage: typed the same again, it is stored, not noted twice. */
  let refused: { key: string; lane: Lane; said: string } | undefined

  const fields = computed<Field[]>(() => {
    const lane = current()
    const watts: Field[] = mode.value === 'watts' ? ['power'] : ['voltage', 'current']
    const battery: Field[] = bothEnds.value ? ['batteryPower'] : []
    const counters: Field[] = [...battery, ...(counting.value ? (['counterWh', 'counterAh'] as const) : [])]
    switch (lane?.setup.feed.kind) {
      case 'hand':
        return ['percent', ...watts, ...counters]
      // A meter does not see the display, and the display does not see the meter.
      case 'instruments':
        return ['percent']
      case 'own-battery':
        return [...watts, ...counters].filter((f) => f !== 'batteryPower')
      default:
        return []
    }
  })
  const places = computed(() => {
    const lane = current()
    return lane && heatDue(lane) !== null ? lane.setup.heat.places : []
  })

  /** What the fields hold at a moment. */
  const held = () => ({ typed: { ...typed }, degrees: { ...degrees } })
  const isTyped = () =>
    [...Object.values(typed), ...Object.values(degrees)].some((text) => text.trim() !== '')
  /** What was noted goes; what was typed since, while it was being stored, stays. Without it, all goes. */
  function clear(noted = held()) {
    for (const [field, empty] of Object.entries(blank()))
      if (typed[field as keyof typeof typed] === noted.typed[field as keyof typeof typed])
        Object.assign(typed, { [field]: empty })
    for (const place of Object.keys(degrees)) if (degrees[place] === noted.degrees[place]) degrees[place] = ''
    errors.value = {}
    question.value = ''
    asked = ''
    unsafe.value = ''
    refused = undefined
  }

  /** "38 18.9" in the first field is the whole entry; a third number is what arrives at the battery. */
  const isLine = () => /\S[\s;]+\S/.test(typed[fields.value[0]] ?? '')
  function spread(): boolean {
    const [first] = fields.value
    if (!first || !isLine()) return true
    const laid = oneLine(typed[first], lineOrder(fields.value))
    if (!laid) {
      errors.value = { [first]: 'There are more numbers than fields.' }
      return false
    }
    if (laid.batteryPower !== undefined) bothEnds.value = true
    Object.assign(typed, laid)
    return true
  }

  /** What was typed, as numbers; undefined with the errors named when it does not hold. */
  function read(): Omit<Reading, 't'> | undefined {
    errors.value = {}
    const temperatures = readDegrees()
    const given = Object.fromEntries(fields.value.map((f) => [f, typed[f]]))
    const empty = Object.values(given).every((v) => v.trim() === '')
    if (Object.keys(errors.value).length) return undefined
    if (empty && temperatures) return { temperatures }
    try {
      const values = entrySchema.validateSync(fromMeterUnits(given), { abortEarly: false })
      const kept = Object.fromEntries(Object.entries(values).filter(([, v]) => v !== undefined))
      return temperatures ? { ...kept, temperatures } : kept
    } catch (error) {
      for (const [path, message] of Object.entries(yupErrors(error)))
        errors.value[path || fields.value[0] || places.value[0]] ??= message
      return undefined
    }
  }

  /** To the thousandth: a tenth of a °F is half of a tenth of a °C. */
  const keptDegrees = (typedIn: number) => Number(keptValue(typedIn, '°C').toFixed(3))

  function readDegrees(): Record<string, number> | undefined {
    const found: Record<string, number> = {}
    for (const place of places.value) {
      const text = (degrees[place] ?? '').trim()
      if (text === '') continue
      const typedIn = decimal(text)
      const read = checkTyped(degreesSchema, Number.isNaN(typedIn) ? text : keptDegrees(typedIn))
      if ('value' in read) found[place] = read.value
      else errors.value[place] = read.error
    }
    return Object.keys(found).length ? found : undefined
  }

  const settle = (lane: Lane, cause: Doubt['cause']) =>
    settled.set(lane.setup.runId, new Set([...(settled.get(lane.setup.runId) ?? []), cause]))

  /** Stores what was refused before; the fields clear only now that it is safe. */
  async function storeRefused(): Promise<boolean> {
    const { lane, said } = refused!
    busy.value = true
    const stored = (await bench.retry()) || lane.pending.length === 0
    busy.value = false
    isWaiting = false
    if (stored) {
      clear()
      saved.value = said
    }
    return stored
  }
  // Stored in the background meanwhile: the fields need not hold it any longer.
  watch(
    () => bench.alarm,
    (alarm) => {
      if (alarm !== '' || !refused) return
      const { said } = refused
      clear()
      saved.value = said
    },
  )

  /** Notes what was typed; true once it is safe. */
  async function note(): Promise<boolean> {
    const lane = current()
    if (busy.value) {
      // Pressed while the one before is being stored: noted as soon as that is safe.
      isWaiting = true
      return false
    }
    if (!lane || !spread()) return false
    const values = read()
    if (!values) return false
    const key = JSON.stringify([lane.setup.runId, values])
    if (refused?.key === key) return storeRefused()
    if (asked === key && askedFor) settle(lane, askedFor)
    const doubt = asked === key ? null : doubtOf(lane, values, settled.get(lane.setup.runId))
    if (doubt) {
      asked = key
      askedFor = doubt.cause
      question.value = doubt.question
      return false
    }
    busy.value = true
    const before = held()
    const { noted, stored } = await bench.note(lane, values)
    busy.value = false
    const wasPressed = isWaiting
    isWaiting = false
    const said = `${logbook.nameOf(lane.setup)}. Noted at ${duration(noted.t)}: ${inWords(noted)}`
    // The fields clear only where the reading is safe: a refused one stays in sight until it is.
    if (stored) {
      clear(before)
      saved.value = said
      // Pressed twice by mistake nothing stands there any more, and the turn passes on as it would have.
      return wasPressed && current() === lane && isTyped() ? note() : true
    }
    question.value = ''
    refused = { key, lane, said }
    saved.value = ''
    unsafe.value = `Noted at ${duration(noted.t)}, but the browser refused to store it: it is in memory only. Enter tries again.`
    return false
  }

  return {
    typed,
    degrees,
    errors,
    question,
    saved,
    unsafe,
    busy,
    mode,
    counting,
    bothEnds,
    isLine,
    fields,
    places,
    note,
    clear,
  }
}

const inWords = (r: Reading): string =>
  [
    ...CHANNELS.map((c) => asRead(r[c], channel(c).digits, channel(c).unit)),
    ...Object.entries(r.temperatures ?? {}).map(([place, c]) => `${place} ${figure(c, 1, '°C')}`),
  ]
    .filter((text) => text !== UNKNOWN)
    .join(', ')
