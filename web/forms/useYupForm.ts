import { toTypedSchema } from '@vee-validate/yup'
import { useForm, type TypedSchema } from 'vee-validate'
import { ref, toRaw } from 'vue'
import type { Schema } from 'yup'

export interface YupFormOptions<Typed extends object, Kept> {
  /** What is checked and kept; asked for anew at each check, so it may depend on what is chosen. */
  schema: () => Schema<Kept>
  /** The fields as they stand when the form opens. */
  initial: Typed
  /** What was typed, in the shape that the schema checks; by default as it is. */
  shape?: (typed: Typed) => unknown
  /** The field under which a fault at a path of the schema stands; by default the path itself. */
  fieldOf?: (path: string) => string
  /** Long forms say the first fault beside their button too: its field may be out of sight. */
  long?: boolean
}

/**
 * A form: fields bound by name, checked by one Yup schema, each fault under its field. What belongs to no field, and
 * what is thrown while it is kept, is in `failure`.
 */
export function useYupForm<Typed extends object, Kept extends object>(options: YupFormOptions<Typed, Kept>) {
  const { schema, initial, shape = (typed) => typed, fieldOf = (path) => path, long = false } = options
  const failure = ref('')
  const busy = ref(false)

  const checked: TypedSchema<Typed, Kept> = {
    __type: 'VVTypedSchema',
    async parse(typed) {
      const { value, errors } = await toTypedSchema(schema()).parse(shape(plain(typed)) as never)
      const first = new Map<string, string>()
      for (const { path = '', errors: said } of errors) {
        const field = fieldOf(path)
        if (!first.has(field)) first.set(field, said[0])
      }
      return { value: value as Kept, errors: [...first].map(([path, said]) => ({ path, errors: [said] })) }
    },
  }
  const form = useForm<Typed, Kept>({
    validationSchema: checked,
    initialValues: plain(initial) as never,
    // A field that is hidden for a moment keeps what was typed into it.
    keepValuesOnUnmount: true,
  })

  /**
   * A submit handler: hands on what was typed as it was pressed, once it holds. What is typed while that is being
   * checked belongs to no press: it is neither kept nor takes the fault away. `keep` may be told how it was submitted.
   */
  const submit =
    <How = void>(keep: (kept: Kept, how: How) => unknown) =>
    async (how: How) => {
      if (busy.value) return
      busy.value = true
      failure.value = ''
      try {
        const { value, errors } = await checked.parse(form.values)
        if (errors.length) {
          const ofTheWhole = errors.find(({ path }) => path === '')
          failure.value = (ofTheWhole ?? (long ? errors[0] : undefined))?.errors[0] ?? ''
          await form.validate()
        } else await keep(value as Kept, how)
      } catch (error) {
        failure.value = (error as Error).message
      } finally {
        busy.value = false
      }
    }
  return { form, values: form.values, submit, failure, busy }
}

/** Values of a form are reactive; a schema and a store get plain ones. */
function plain<T>(value: T): T {
  const raw = toRaw(value)
  if (Array.isArray(raw)) return raw.map((v: unknown) => plain(v)) as T
  if (raw !== null && typeof raw === 'object' && Object.getPrototypeOf(raw) === Object.prototype)
    return Object.fromEntries(Object.entries(raw).map(([k, v]) => [k, plain(v as unknown)])) as T
  return raw
}
