import { computed, reactive } from 'vue'
import { gridRow, type GridCell } from '@core/gear/grid'
import { useLogbook } from '../../stores/logbook'

export type Show = 'all' | 'charges' | 'slow' | 'connected' | 'none' | 'contradiction'

/** What stands before pads, docks and banks is what the shelf says of each. */
export const AS_ON_SHELF = 'as on the shelf'

/** The grid of all devices against all sources, as filtered. */
export function usePairs() {
  const logbook = useLogbook()
  const filter = reactive({
    cableId: null as string | null,
    fedFromId: AS_ON_SHELF as string | null,
    kind: 'all',
    words: '',
    show: 'all' as Show,
  })

  const matches = (name: string) => name.toLowerCase().includes(filter.words.trim().toLowerCase())
  const devicesOfKind = computed(() =>
    logbook.devices.filter((d) => filter.kind === 'all' || d.kind === filter.kind),
  )
  /** A word may name devices or sources; where it names neither kind, that kind stays whole. */
  const devices = computed(() => {
    const named = devicesOfKind.value.filter((d) => matches(d.name))
    return named.length ? named : devicesOfKind.value
  })
  const nothingNamed = computed(
    () =>
      filter.words.trim() !== '' &&
      !devicesOfKind.value.some((d) => matches(d.name)) &&
      !logbook.sources.some((s) => matches(s.name)),
  )
  const sources = computed(() => {
    const named = logbook.sources.filter((s) => matches(s.name))
    return named.length ? named : logbook.sources
  })
  const cable = computed(() => logbook.cable(filter.cableId) ?? null)
  /** Sources that take from another: docks, pads, power banks. */
  const links = computed(() => logbook.sources.filter((s) => s.takes !== ''))
  const rows = computed(() =>
    nothingNamed.value
      ? []
      : sources.value.map((source) => ({
          source,
          cells: gridRow(
            source,
            devices.value,
            cable.value,
            logbook.observations,
            logbook.sources,
            filter.fedFromId === AS_ON_SHELF ? undefined : filter.fedFromId,
          ),
        })),
  )
  const shown = (cell: GridCell) =>
    filter.show === 'all' ||
    (filter.show === 'contradiction' ? cell.contradiction !== null : cell.expected.outcome === filter.show)
  const visibleRows = computed(() => rows.value.filter((r) => r.cells.some(shown)))
  const contradictions = computed(() =>
    rows.value.flatMap((r) => r.cells).filter((c) => c.contradiction !== null),
  )
  return { filter, devices, links, visibleRows, shown, contradictions }
}
