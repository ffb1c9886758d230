import { CONDITIONS } from './conditions'
import { DEFAULT_STOP_LIMIT_C, type ConditionKind, type Protocol } from './protocol'

const conditions = (...kinds: ConditionKind[]) =>
  kinds.map((kind) => ({ kind, required: CONDITIONS[kind].usual }))

const QUIET = conditions(
  'flight-mode',
  'apps-closed',
  'screen',
  'low-power-mode-off',
  'optimised-charging-off',
  'background-refresh-off',
  'same-cable',
  'ambient',
  'state',
)

const protocol = (id: string, name: string, over: Partial<Protocol>): Protocol => ({
  id,
  name,
  goodFor: '',
  hides: '',
  startPercent: 1,
  startWay: 'drained',
  restMinutes: 20,
  reading: { kind: 'every', seconds: 300 },
  temperatureMinutes: [],
  temperaturePlaces: [],
  stopLimitC: DEFAULT_STOP_LIMIT_C,
  stop: { kind: 'shown-full' },
  conditions: QUIET,
  ...over,
})

/** Ways of testing that reviewers hold to, as starting points. Common practice, no source. */
export const SCHOOLS: readonly Protocol[] = [
  protocol('from-dead', 'From dead, rested', {
    goodFor: 'A start that anyone can repeat: the device is off, and rested 21 minutes.',
    hides: 'How it does from an ordinary level; and the screen returns late on weak sources.',
    startPercent: 0,
    startWay: 'dead-rested',
    restMinutes: 21,
  }),
  protocol('as-it-dies', 'The moment it dies', {
    goodFor: 'Warm and in use, as it happens to people.',
    hides: 'The heat it starts with differs from run to run, and so does the result.',
    startPercent: 0,
    startWay: 'as-it-dies',
    restMinutes: 0,
  }),
  protocol('one-to-full', 'From 1 % to full', {
    goodFor: 'Full-charge times with the screen alive from the first minute.',
    hides: 'The first points from dead, and anything shorter than the five minutes between checks.',
  }),
  protocol('closing-in', 'Every 10, then every 5', {
    goodFor: 'Many lanes by hand: few checks at first, closer ones where the end is decided.',
    hides: 'Steps early in the curve; the time to half is a few minutes off.',
    reading: { kind: 'closing-in', seconds: 600, thenSeconds: 300, abovePercent: 90 },
  }),
  protocol('top-up', 'Top-up marks', {
    goodFor: 'What 5, 10, 15, 20 and 30 minutes bring, from 15 %.',
    hides: 'Everything after half an hour: a fast start may finish last.',
    startPercent: 15,
    restMinutes: 10,
    reading: { kind: 'at', minutes: [5, 10, 15, 20, 30] },
    stop: { kind: 'duration', seconds: 1800 },
  }),
  protocol('half-and-end', 'Half time and the end', {
    goodFor: 'An hour’s gain from 50 % with two looks at it.',
    hides: 'The shape of the curve between: two readings make no curve.',
    startPercent: 50,
    reading: { kind: 'at', minutes: [30, 60] },
    stop: { kind: 'duration', seconds: 3600 },
  }),
  protocol('spot-check', 'Spot check below half', {
    goodFor: 'Watt-hours in five minutes: thirty sources in one evening.',
    hides: 'The taper, the heat, and how good the source is above half.',
    startPercent: 40,
    startWay: 'as-found',
    restMinutes: 0,
    reading: { kind: 'meter', seconds: 1 },
    stop: { kind: 'duration', seconds: 300 },
    conditions: conditions('screen', 'optimised-charging-off', 'same-cable'),
  }),
  protocol('whole-curve', 'The whole curve by meter', {
    goodFor: 'One device in full: parts, peak, hand-over and heat, once a second.',
    hides: 'What the display says between, if nobody reads it; one device tells nothing of others.',
    reading: { kind: 'meter', seconds: 1 },
    temperatureMinutes: [0, 10, 20, 30, 45, 60, 90],
    temperaturePlaces: ['front', 'back'],
    stop: { kind: 'taper-end' },
  }),
  protocol('filmed', 'Filmed, screen on', {
    goodFor: 'A record that can be shown: the level is on camera the whole time.',
    hides: 'The screen’s share: times are longer than asleep, more so on weak sources.',
    conditions: [
      ...conditions(
        'flight-mode',
        'apps-closed',
        'low-power-mode-off',
        'optimised-charging-off',
        'same-cable',
        'ambient',
      ),
      { kind: 'screen', required: 'on at 50 %' },
    ],
  }),
  protocol('under-load', 'Laptop under load', {
    goodFor: 'Whether a weak supply slows a working laptop, or drains it.',
    hides: 'How fast it would charge at rest.',
    startPercent: 50,
    reading: { kind: 'every', seconds: 300 },
    temperatureMinutes: [0, 10, 20, 30],
    temperaturePlaces: ['keyboard', 'underside'],
    stop: { kind: 'duration', seconds: 3600 },
    conditions: [
      ...conditions('low-power-mode-off', 'optimised-charging-off', 'same-cable', 'ambient'),
      { kind: 'screen', required: 'on at 50 %' },
      { kind: 'state', required: 'under the measured load' },
    ],
  }),
  protocol('pad', 'On the pad', {
    goodFor: 'Wireless: position marked, level and heat followed to 80 %.',
    hides: 'The last stretch, which on a pad can stall for hours.',
    stop: { kind: 'level', percent: 80 },
    temperatureMinutes: [0, 10, 20, 30, 60],
    temperaturePlaces: ['back'],
    conditions: [...QUIET, { kind: 'position', required: CONDITIONS.position.usual }],
  }),
  protocol('will-it', 'Will it charge at all?', {
    goodFor: 'A grid of outcomes: each pair is watched for ten minutes.',
    hides: 'Speed: a pair that charges may still take all night.',
    startPercent: 50,
    startWay: 'as-found',
    restMinutes: 0,
    reading: { kind: 'at', minutes: [2, 5, 10] },
    stop: { kind: 'duration', seconds: 600 },
    conditions: conditions('screen', 'optimised-charging-off', 'same-cable'),
  }),
]

/** The reviewer's own protocols take the place of those they were made from, and follow them otherwise. */
export function protocolsWith(own: readonly Protocol[]): Protocol[] {
  const mine = new Map(own.map((p) => [p.id, p]))
  const schools = SCHOOLS.map((p) => mine.get(p.id) ?? p)
  return [...schools, ...own.filter((p) => !SCHOOLS.some((s) => s.id === p.id))]
}
