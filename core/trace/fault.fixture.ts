import type { ValidationError } from 'yup'

/** What a schema says of a value; '' where it holds. */
export function faultOf(schema: { validateSync: (value: unknown) => unknown }, value: unknown): string {
  try {
    schema.validateSync(value)
    return ''
  } catch (error) {
    return (error as ValidationError).message
  }
}
