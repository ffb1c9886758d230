import type { Device, Source } from '../gear/gear'
import type { BenchMeans, PairPlan } from './campaign'

/** A question as a starting point: it presets the protocol, the pairs and the repeats, and nothing is fixed. */
export interface Question {
  id: string
  text: string
  protocolId: string
  repeats: number
  /** Which pairs it begins with. */
  pairs: 'one-device' | 'one-source' | 'one-pair' | 'all' | 'wired-and-wireless'
  means?: Partial<BenchMeans>
}

/** What reviewers ask, each with what a campaign for it begins with. */
export const QUESTIONS: readonly Question[] = [
  { id: 'many-sources', text: 'Same device, many sources: which is fastest, and from which one up does it stop mattering?', protocolId: 'one-to-full', repeats: 2, pairs: 'one-device' },
  { id: 'many-devices', text: 'Many devices, one source: does the newer model really charge faster?', protocolId: 'one-to-full', repeats: 2, pairs: 'one-source' },
  { id: 'whole-curve', text: 'One device in full: its whole charge curve from empty', protocolId: 'whole-curve', repeats: 3, pairs: 'one-pair' },
  { id: 'top-up', text: 'Top-up: what do 5, 10, 15 or 30 minutes bring?', protocolId: 'top-up', repeats: 3, pairs: 'one-device' },
  { id: 'smallest', text: 'Smallest that will do: which is the smallest charger worth packing?', protocolId: 'closing-in', repeats: 1, pairs: 'one-device' },
  { id: 'at-all', text: 'Will it charge at all? A grid of sources against devices', protocolId: 'will-it', repeats: 1, pairs: 'all' },
  { id: 'under-load', text: 'Under load: does a weak supply slow the laptop, or drain it?', protocolId: 'under-load', repeats: 3, pairs: 'one-device' },
  { id: 'wireless', text: 'Wired or wireless? How much of what leaves the wall arrives?', protocolId: 'pad', repeats: 2, pairs: 'wired-and-wireless' },
  { id: 'claim', text: 'Is the claim true? The box against the log', protocolId: 'from-dead', repeats: 3, pairs: 'one-pair' },
  { id: 'worth-it', text: 'Worth the money? Price, size and weight against minutes saved', protocolId: 'one-to-full', repeats: 2, pairs: 'one-device' },
] // prettier-ignore

/** The pairs a question begins with, from the gear at hand. */
export function pairsFor(
  question: Question,
  devices: readonly Device[],
  sources: readonly Source[],
): PairPlan[] {
  const pair = (deviceId: string, sourceId: string): PairPlan => ({
    deviceId,
    sourceId,
    cableId: null,
    repeats: question.repeats,
  })
  const device = firstDevice(question, devices)
  const strongest = [...sources]
    .sort((a, b) => b.ratedWatts - a.ratedWatts)
    .find((s) => s.kind !== 'wireless pad')
  if (!device || !strongest) return []
  switch (question.pairs) {
    case 'one-device':
      return sources
        .filter((s) => s.kind !== 'wireless pad' || device.wirelessWatts !== null)
        .map((s) => pair(device.id, s.id))
    case 'one-source':
      return devices.map((d) => pair(d.id, strongest.id))
    case 'one-pair':
      return [pair(device.id, strongest.id)]
    case 'all':
      return devices.flatMap((d) => sources.map((s) => pair(d.id, s.id)))
    case 'wired-and-wireless':
      return [strongest, ...sources.filter((s) => s.kind === 'wireless pad')].map((s) =>
        pair(device.id, s.id),
      )
  }
}

function firstDevice({ id }: Question, devices: readonly Device[]): Device | undefined {
  if (id === 'under-load') return devices.find((d) => d.kind === 'laptop') ?? devices[0]
  if (id === 'wireless') return devices.find((d) => d.wirelessWatts !== null) ?? devices[0]
  if (id === 'claim') return devices.find((d) => d.claims !== '') ?? devices[0]
  return devices[0]
}
