/** One reading on the instrument's own clock. What it does not measure is left out. */
export interface Sample {
  /** Seconds on the instrument's own clock, which need not begin at power-on. */
  t: number
  percent?: number
  /** V, A, W; positive into the device. */
  voltage?: number
  current?: number
  batteryPower?: number
  /** °C by place. */
  temperatures?: Record<string, number>
  /** As the instrument calls it: charging, full, connected but not charging. */
  status?: string
}

export type InstrumentKind = 'meter' | 'battery' | 'thermometer'

export interface Instrument {
  id: string
  name: string
  kind: InstrumentKind
  /** A stand-in; said wherever its readings are shown. */
  simulated: boolean
  /**
   * Delivers samples until stopped; `failed` says, in words, that it cannot go on. May be called again after that.
   */
  stream(deliver: (sample: Sample) => void, failed: (reason: string) => void): () => void
}

/** What is told of an instrument before it is listened to. */
export const describe = ({ id, name, kind, simulated }: Instrument) => ({ id, name, kind, simulated })
