import { reactive, ref } from 'vue'
import { namedBy } from '@core/formats/wide'
import { useFiles } from '../../stores/files'
import type { Given } from '../../stores/importedRun'
import { useLogbook } from '../../stores/logbook'

/** What a file does not say of its run. What was given for the one before holds, as far as it is still on the shelf. */
export function useGiven(file: string) {
  const logbook = useLogbook()
  const last = useFiles().lastGiven

  /** What the file is called after, else what was given last, else the first. */
  function likeliest(items: readonly { id: string; name: string }[], before: string | undefined): string {
    const names = items.map((item) => item.name)
    return (items[namedBy(file, names)] ?? items.find(({ id }) => id === before) ?? items[0])?.id ?? ''
  }

  const given = reactive({
    deviceId: likeliest(logbook.devices, last?.deviceId),
    sourceId: likeliest(logbook.sources, last?.sourceId),
    cableId: logbook.cable(last?.cableId ?? null)?.id ?? null,
    meterId: logbook.meter(last?.meterId ?? null)?.id ?? null,
    notes: last?.notes ?? '',
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
