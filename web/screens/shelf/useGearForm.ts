import { toTypedSchema } from '@vee-validate/yup'
import { useForm } from 'vee-validate'
import { ref } from 'vue'
import type { Schema } from 'yup'
import { useLogbook, type ShelfKind } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'

/** The common part of the shelf's forms: validate, store, say so, close. */
export function useGearForm<T extends { id: string; name: string }>(
  kind: ShelfKind,
  schema: Schema<T>,
  initial: object,
  done: () => void,
) {
  const logbook = useLogbook()
  const notices = useNotices()
  const failure = ref('')
  const form = useForm({ validationSchema: toTypedSchema(schema), initialValues: { ...initial } as never })

  const save = form.handleSubmit(
    async (values) => {
      try {
        await logbook.put(kind, values as never)
        notices.say(`${(values as unknown as T).name} is on the shelf.`)
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
  return { form, save, failure }
}
