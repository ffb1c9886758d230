import { computed, shallowRef } from 'vue'
import type { Schema } from 'yup'
import { ratingChanges, ratingLabel, type RatingChange } from '@core/gear/corrections'
import type { RatingCorrection } from '@core/gear/gear'
import { threeWay } from '@core/logbook/threeWay'
import { fullDay } from '@core/words/moments'
import { datedName } from '@core/words/names'
import { useFollowing } from '../../forms/useFollowing'
import { useYupForm } from '../../forms/useYupForm'
import { useCorrections } from '../../stores/corrections'
import { useLogbook } from '../../stores/logbook'
import type { ShelfKind } from '../../stores/lookups'
import { useNotices } from '../../stores/notices'

/** Ratings about to change under runs that were made with them. */
export interface Gate {
  changes: RatingChange[]
  runs: string[]
  canGoBack: boolean
}
const KEPT_BY_RUNS = new Set(['capacityMah', 'capacityWh', 'nominalVolts', 'healthPercent'])
/** From when on a change holds: from now, from a day on, or it was always so. */
export type Since = 'now' | 'day' | 'always'

interface Item {
  id: string
  name: string
  corrections?: RatingCorrection[]
}

/** The common part of the shelf's forms: validate, ask why where runs are touched, store, say so, close. */
export function useGearForm<T extends Item>(
  kind: ShelfKind,
  schema: Schema<T>,
  item: { id: string },
  done: () => void,
  /** The item as its fields are typed. */
  typed: (item: object) => object = (as) => as,
) {
  const logbook = useLogbook()
  const corrections = useCorrections()
  const notices = useNotices()
  const gate = shallowRef<Gate | null>(null)
  const onShelf = () => (logbook[kind] as Item[]).find((i) => i.id === item.id)
  /** The item as it stood when the form was opened: what is not touched here keeps what others write meanwhile. */
  const begun = onShelf()
  const { form, values, submit, failure, busy } = useYupForm({
    schema: () => schema,
    initial: { ...typed(item), why: '', since: 'now' as Since, sinceDay: '' },
    shape: ({ why: _why, since: _since, sinceDay: _day, ...item }) => item,
  })

  useFollowing({ form, values }, () => {
    const now = onShelf()
    return now ? typed(now) : null
  })

  const history = computed(() =>
    (onShelf()?.corrections ?? []).map((c) => ({
      ...c,
      label: ratingLabel(c.field),
      day: fullDay(c.when),
    })),
  )

  function gateFor(item: T): Gate | null {
    const before = onShelf()
    const runs = before ? logbook.runsWith(kind, item.id) : []
    const changes = before && runs.length ? ratingChanges(before as never, item as never) : []
    return changes.length
      ? {
          // What a run keeps of its device can be carried back to the runs made before.
          canGoBack: kind === 'devices' && changes.some((c) => KEPT_BY_RUNS.has(c.field)),
          changes,
          runs: runs.map((r) => datedName(logbook.nameOf(r), r)),
        }
      : null
  }

  const save = submit(async (left: T) => {
    const now = onShelf() as T | undefined
    const item = begun && now ? threeWay(begun as T, left, now) : left
    gate.value = gateFor(item)
    const why = values.why.trim()
    if (gate.value && why === '') {
      form.setFieldError('why', 'Say why, so that it is known later.')
      return
    }
    const day = values.since === 'day' ? Date.parse(`${values.sinceDay}T00:00`) : -Infinity
    if (Number.isNaN(day)) {
      form.setFieldError('sinceDay', 'Choose the day.')
      return
    }
    if (gate.value) {
      // The item comes last: broken off before, the change is still to be made, and no run is put right twice.
      if (gate.value.canGoBack && values.since !== 'now') await corrections.carryBack(item as never, day, why)
      await corrections.correctGear(kind, item as never, now as never, why)
    } else await logbook.put(kind, item as never, now as never)
    notices.say(`${item.name} is on the shelf.`)
    done()
  })
  return { form, values, save, failure, busy, gate, history }
}

export type GearForm = Pick<ReturnType<typeof useGearForm>, 'failure' | 'busy' | 'gate' | 'history'>
