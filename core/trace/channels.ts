/** Everything that is to be known of one channel of a trace. */
export interface ChannelEntry {
  /** Its column in a trace's CSV; a stable contract. */
  header: string
  /** SI unit, or %. */
  unit: string
  /** Values outside these are a mistake, not a reading. Negative power and current flow out of the device. */
  bounds: readonly [low: number, high: number]
  /** Decimals it is shown with. */
  digits: number
  /** Its name on a field or a column, and in a sentence. */
  label: string
  called: string
}

/**
 * The one table of channels. The CSV and the logbook's file, the check of a trace, the readings table, the import's
 * column picker, the entry dock and the bench go by it: a channel is added here and nowhere besides.
 */
export const CHANNEL_TABLE = {
  percent: {
    header: 'battery_percent',
    unit: '%',
    bounds: [0, 100],
    digits: 0,
    label: 'Level',
    called: 'level',
  },
  voltage: { header: 'voltage_v', unit: 'V', bounds: [-1, 60], digits: 2, label: 'Volts', called: 'volts' },
  current: {
    header: 'current_a',
    unit: 'A',
    bounds: [-20, 20],
    digits: 3,
    label: 'Amperes',
    called: 'amperes',
  },
  power: { header: 'power_w', unit: 'W', bounds: [-300, 500], digits: 2, label: 'Power', called: 'watts' },
  batteryPower: {
    header: 'battery_power_w',
    unit: 'W',
    bounds: [-300, 500],
    digits: 2,
    label: 'Battery power',
    called: 'battery watts',
  },
  batteryVoltage: {
    header: 'battery_voltage_v',
    unit: 'V',
    bounds: [-1, 60],
    digits: 2,
    label: 'Battery volts',
    called: 'battery volts',
  },
  batteryCurrent: {
    header: 'battery_current_a',
    unit: 'A',
    bounds: [-40, 40],
    digits: 3,
    label: 'Battery amperes',
    called: 'battery amperes',
  },
  /** A meter's running totals, as read off it. */
  counterWh: {
    header: 'counter_wh',
    unit: 'Wh',
    bounds: [0, 100_000],
    digits: 3,
    label: 'Counter',
    called: 'counted watt-hours',
  },
  counterAh: {
    header: 'counter_ah',
    unit: 'Ah',
    bounds: [0, 100_000],
    digits: 3,
    label: 'Counter',
    called: 'counted ampere-hours',
  },
  /** 1 where the display was being looked at and had just changed to this level. */
  watched: {
    header: 'watched',
    unit: '',
    bounds: [0, 1],
    digits: 0,
    label: 'Watched',
    called: 'watched',
  },
} as const satisfies Record<string, ChannelEntry>

export type Channel = keyof typeof CHANNEL_TABLE
/** Names of all channels, in the order of the table. */
export const CHANNELS = Object.keys(CHANNEL_TABLE) as Channel[]

/** A channel's entry, as every channel has it. */
export const channel = (name: Channel): ChannelEntry => CHANNEL_TABLE[name]

/** Its name with the unit, as a column is headed: "Level, %". */
export const columnTitle = (name: Channel): string =>
  [channel(name).label, channel(name).unit].filter(Boolean).join(', ')

/** A unit in another size, and by what a value in it is divided to be in the channel's own. */
export interface Scale {
  unit: string
  divisor: number
}
/** What is written in thousands of its unit too: a plug at the wall counts kWh. */
const IN_THOUSANDS = ['W', 'Wh']

/**
 * The other sizes in which a table may hold a channel, where it is of volts, amperes, watts or their hours: thousandths,
 * millionths (as devices tell of themselves), and thousands.
 *
 * @example scalesOf('power') // [{ unit: 'mW', divisor: 1000 }, { unit: 'µW', divisor: 1e6 }, { unit: 'kW', divisor: 0.001 }]
 */
export function scalesOf(name: Channel): Scale[] {
  const { unit } = channel(name)
  if (unit === '' || unit === '%') return []
  return [
    { unit: `m${unit}`, divisor: 1000 },
    { unit: `µ${unit}`, divisor: 1e6 },
    ...(IN_THOUSANDS.includes(unit) ? [{ unit: `k${unit}`, divisor: 0.001 }] : []),
  ]
}

/** A unit as we write it: the micro sign has a Greek twin, and is typed as a u. */
export const plainUnit = (unit: string): string => unit.replace(/^[uμ](?=[vaw])/i, 'µ')
