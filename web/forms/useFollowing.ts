import { watch } from 'vue'

type Fields = Record<string, unknown>
interface OpenForm {
  form: { setFieldValue: (field: never, value: never, validate: boolean) => void }
  values: object
}

/**
 * Lets a form that is open follow its record: a field nobody typed into shows what another tab makes of it meanwhile.
 * `now` are the fields as the record has them at the moment; null where it is gone.
 */
export function useFollowing({ form, values }: OpenForm, now: () => object | null): void {
  let shown = now() as Fields | null
  watch(now, (next) => {
    if (!next) return
    for (const [field, value] of Object.entries(next))
      if (JSON.stringify((values as Fields)[field]) === JSON.stringify(shown?.[field]))
        form.setFieldValue(field as never, value as never, false)
    shown = next as Fields
  })
}
