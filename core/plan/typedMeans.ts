import type { Campaign } from './campaign'
import type { FreeDay, FreeHours } from './windows'

/** A day of the week in a form: its hours stay in sight while it is off. */
export interface TypedDay extends FreeHours {
  on: boolean
  /** Further spans: "6:30-7:45, 12-13:00". */
  also: string
}
/** What is asked of each device: empty is what is usual. */
export interface TypedUnit {
  deviceId: string
  units: string
  drainHours: string
}

/** Time and means of a campaign as a form has them. */
export interface TypedMeans {
  startDate: string
  daysOff: string
  days: TypedDay[]
  meters: string
  lanes: string
  sideBySide: boolean
  sharePorts: boolean
  drainAttended: boolean
  setupMinutes: string
  marginPercent: string
  seed: string
  devices: TypedUnit[]
}

const USUAL_HOURS: FreeHours = { from: '18:30', to: '22:30' }
/** A week of free hours as a form has it. */
export const openWeek = (week: readonly (FreeDay | null)[]): TypedDay[] =>
  week.map((day) => {
    const { from, to, also = [] } = (day ?? USUAL_HOURS) as FreeDay
    return { on: day !== null, from, to, also: also.map((s) => `${s.from}–${s.to}`).join(', ') }
  })

/** Spans as they are typed, with any dash; one that is none is left for its schema to refuse. */
const spansIn = (text: string): FreeHours[] =>
  text
    .split(/[,;]/)
    .map((span) => span.trim())
    .filter(Boolean)
    .map((span) => {
      const [from = '', to = ''] = span.split(/\s*[-–—]\s*/)
      return { from, to }
    })

/** Opens a campaign into fields, with one row for each device named. */
export function openMeans({ availability, means }: Campaign, deviceIds: readonly string[]): TypedMeans {
  const known = (record: Record<string, number>, id: string, usual: string) =>
    Object.hasOwn(record, id) ? String(record[id]) : usual
  return {
    startDate: availability.startDate,
    daysOff: availability.daysOff.join(' '),
    days: openWeek(availability.week),
    meters: String(means.meters),
    lanes: String(means.lanes),
    sideBySide: means.sideBySide,
    sharePorts: means.sharePorts,
    drainAttended: means.drainAttended,
    setupMinutes: String(means.setupMinutes),
    marginPercent: String(means.marginPercent),
    seed: String(means.seed),
    devices: deviceIds.map((deviceId) => ({
      deviceId,
      units: known(means.units, deviceId, '1'),
      drainHours: known(means.drainHours, deviceId, ''),
    })),
  }
}

/** What the schema of a campaign is to check. Devices without a row keep what was said of them. */
export function closeMeans(campaign: Campaign, typed: TypedMeans): Record<string, unknown> {
  const { startDate, daysOff, days, devices, ...means } = typed
  /** What is left empty falls back to what is usual, so it is not handed on. */
  const byId = (before: Record<string, number>, key: 'units' | 'drainHours') =>
    Object.fromEntries([
      ...Object.entries(before).filter(([id]) => !devices.some((d) => d.deviceId === id)),
      ...devices.filter((d) => d[key].trim() !== '').map((d): [string, string] => [d.deviceId, d[key]]),
    ])
  return {
    ...campaign,
    availability: {
      startDate,
      week: days.map(({ on, from, to, also }) => {
        const spans = spansIn(also)
        return on ? { from, to, ...(spans.length ? { also: spans } : {}) } : null
      }),
      daysOff: daysOff.split(/[\s,;]+/).filter(Boolean),
    },
    means: {
      ...means,
      units: byId(campaign.means.units, 'units'),
      drainHours: byId(campaign.means.drainHours, 'drainHours'),
    },
  }
}

/** The field under which a fault at a path of the campaign's schema stands. */
export function meansField(typed: Pick<TypedMeans, 'devices'>, path: string): string {
  const [room, rest = ''] = path.split(/\.(.*)/s)
  if (room === 'availability') {
    if (rest === 'week') return ''
    return rest
      .replace(/\.also.*$/, '.also')
      .replace(/^week/, 'days')
      .replace(/^daysOff.*/, 'daysOff')
  }
  if (room !== 'means') return path
  const row = typed.devices.findIndex(({ deviceId }) => rest.slice(rest.search(/[.[]/)).includes(deviceId))
  return row < 0 ? rest : `devices[${row}].${rest.startsWith('units') ? 'units' : 'drainHours'}`
}
