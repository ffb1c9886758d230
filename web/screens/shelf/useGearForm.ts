import { toTypedSchema } from '@vee-validate/yup'
import { useForm } from 'vee-validate'
import { computed, ref, shallowRef } from 'vue'
import type { Schema } from 'yup'
import { ratingChanges, ratingLabel, type RatingChange } from '@core/gear/corrections'
import type { RatingCorrection } from '@core/gear/gear'
import { useLogbook, type ShelfKind } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'

/** Ratings about to change under runs that were made with them. */
export interface Gate {
  changes: RatingChange[]
  runs: string[]
}

/** The common part of the shelf's forms: validate, ask why where runs are touched, store, say so, close. */
export function useGearForm<T extends { id: string; name: string }>(
  kind: ShelfKind,
  schema: Schema<T>,
  initial: { id: string },
  done: () => void,
) {
  const logbook = useLogbook()
  const notices = useNotices()
  const failure = ref('')
  const why = ref('')
  const whyMissing = ref(false)
  const gate = shallowRef<Gate | null>(null)
  /** The item as it stood when the form was opened: what is not touched here keeps what others write meanwhile. */
  const begun = (logbook[kind] as { id: string }[]).find((i) => i.id === initial.id)
  const form = useForm({ validationSchema: toTypedSchema(schema), initialValues: { ...initial } as never })

  const history = computed(() =>
    (
      (logbook[kind] as { id: string; corrections: RatingCorrection[] }[]).find((i) => i.id === initial.id)
        ?.corrections ?? []
    ).map((c) => ({ ...c, label: ratingLabel(c.field), day: new Date(c.when).toLocaleDateString() })),
  )

  function gateFor(item: T): Gate | null {
    const before = (logbook[kind] as { id: string }[]).find((i) => i.id === item.id)
    const runs = before ? logbook.runsWith(kind, item.id) : []
    const changes = before && runs.length ? ratingChanges(before as never, item as never) : []
    return changes.length
      ? {
          changes,
          runs: runs.map((r) => `${logbook.nameOf(r)}, ${new Date(r.startedAt).toLocaleDateString()}`),
        }
      : null
  }

  const save = form.handleSubmit(
    async (values) => {
      const item = values as unknown as T
      gate.value = gateFor(item)
      whyMissing.value = gate.value !== null && why.value.trim() === ''
      if (whyMissing.value) return
      try {
        if (gate.value) await logbook.correctGear(kind, item as never, why.value.trim())
        else await logbook.put(kind, item as never, begun as never)
        notices.say(`${item.name} is on the shelf.`)
        done()
      } catch (error) {
        failure.value = (error as Error).message
      }
    },
    ({ errors }) => {
      // A check of the whole form has no field of its own to stand under.
      failure.value = (errors as Record<string, string>)[''] ?? ''
    },
  )
  return { form, save, failure, gate, why, whyMissing, history }
}

export type GearForm = Pick<
  ReturnType<typeof useGearForm>,
  'failure' | 'gate' | 'why' | 'whyMissing' | 'history'
>
