import { ValidationError, type Schema } from 'yup'

/** What a Yup check found, by path, the first word on each; '' is what belongs to no path. Other errors are thrown on. */
export function yupErrors(error: unknown): Record<string, string> {
  if (!(error instanceof ValidationError)) throw error
  const found: Record<string, string> = {}
  for (const { path = '', message } of error.inner.length ? error.inner : [error]) found[path] ??= message
  return found
}

/** One typed value that stands outside any form: its value, or what is wrong with it. */
export function checkTyped<T>(
  schema: Schema<T>,
  typed: unknown,
): { value: T; error: '' } | { error: string } {
  try {
    return { value: schema.validateSync(typed), error: '' }
  } catch (error) {
    return { error: Object.values(yupErrors(error))[0] }
  }
}
