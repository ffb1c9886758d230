import { reactive, ref } from 'vue'
import { namedBy } from '@core/formats/wide'
import { useFiles } from '../../stores/files'
import type { Given } from '../../stores/importedRun'
import { useLogbook } from '../../stores/logbook'

/** So much can be typed. */
const MOST_NOTES = 1000

/**
 * What a file does not say of its run. What was given for the one before holds, as far as it is still on the shelf.
 * @param words what a page of notes says above its readings
 */
export function useGiven(file: string, words: string) {
  const logbook = useLogbook()
  const last = useFiles().lastGiven

  /** What the file is called after, else what was given last, else the first. */
  function likeliest(items: readonly { id: string; name: string }[], before: string | undefined): string {
    const names = items.map((item) => item.name)
    const said = items[namedBy(file, names)] ?? items[namedBy(words, names)]
    return (said ?? items.find(({ id }) => id === before) ?? items[0])?.id ?? ''
  }

  /** What need not be given at all. */
  const saidOrLast = (items: readonly { id: string; name: string }[], before: string | null | undefined) =>
    (
      items[
        namedBy(
          words,
          items.map((item) => item.name),
        )
      ] ?? items.find(({ id }) => id === before)
    )?.id ?? null

  const given = reactive({
    deviceId: likeliest(logbook.devices, last?.deviceId),
    sourceId: likeliest(logbook.sources, last?.sourceId),
    cableId: saidOrLast(logbook.cables, last?.cableId),
    meterId: saidOrLast(logbook.meters, last?.meterId),
    notes: words.slice(0, MOST_NOTES) || (last?.notes ?? ''),
    planned: null as Given['planned'],
    asPlanned: last?.asPlanned ?? false,
  })
  /** Typed as the day and time of power-on, for a file without dates. */
  const day = ref('')
  const all = (fromS: number): Given => ({
    ...given,
    fromS,
    startedAt: day.value ? new Date(day.value).toISOString() : null,
  })
  return { given, day, all }
}
