import { number, object, string } from 'yup'
import { parseClock } from './timeCell'

const TIME = 'Write the time like 0:12:30, within the run.'
/** After the last reading something may still have happened, s. */
const AFTERWARDS_S = 3600

/** An event as it is put right: its time as a clock shows it, read in seconds, and what happened. */
export const eventSchema = (durationS: number) =>
  object({
    time: number()
      .transform((_, typed: unknown) => parseClock(String(typed)))
      .typeError(TIME)
      .max(durationS + AFTERWARDS_S, TIME)
      .required(TIME),
    text: string().trim().required('Say it in a word or two.').max(160),
  })
