import { ticks } from 'd3-array'
import { leadOf, placeCallouts, type Room, type Stroke } from './callouts'
import type { PageCall, PagePanels, PagePaths, PagePicture } from '../words/page'
import { barsBody } from './svgBars'
import { escaped, fitted, fixed, label, line, widthOf } from './svgMarks'

export { escaped } from './svgMarks'

/** An ink as a picture draws it. */
export interface PictureInk {
  colour: string
  dash: readonly number[]
}
export interface PictureOptions {
  width: number
  height: number
  inks: readonly PictureInk[]
  text: string
  quiet: string
  ground: string
  /** Stands in the picture: "simulated". */
  mark: string
}

export const MARGIN = { left: 52, right: 16, bottom: 34, top: 14 }
const ROW = 18
/** Room that a name takes to the left of where its path ended. */
const NAME_PX = 240
const NAME_AT_MOST = 0.45
const NAME_SIZE = 13
const EDGE_PX = 4
/** Room of a moment below the clock. */
const TICK_PX = 72
const FONT = "system-ui, 'Segoe UI', sans-serif"
const HOUR_S = 3600
/** A shorter clock is drawn this long, s. */
const SHORTEST_S = 60

/** A picture as one SVG that stands alone, with its title and description for those who cannot see it. */
export function svgPicture(picture: PagePicture, o: PictureOptions): string {
  const body = bodyOf(picture, o)
  const mark = o.mark ? label(o.width - MARGIN.right, o.height - 6, o.mark, o.quiet, 'end', 11) : ''
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${o.width} ${o.height}" width="${o.width}" height="${o.height}" role="img" font-family="${escaped(FONT)}"><title>${escaped(picture.alt)}</title><rect width="100%" height="100%" fill="${escaped(o.ground)}"/>${body}${mark}</svg>`
}

function bodyOf(picture: PagePicture, o: PictureOptions): string {
  switch (picture.kind) {
    case 'paths':
      return pathsBody(picture, o)
    case 'bars':
      return barsBody(picture, o)
    case 'panels':
      return panelsBody(picture, o)
  }
}

function clockText(seconds: number): string {
  const minutes = Math.round(seconds / 60)
  if (minutes < 60) return `${minutes} min`
  return minutes % 60 === 0 ? `${minutes / 60} h` : `${Math.floor(minutes / 60)} h ${minutes % 60}`
}
/** Steps that a clock is read by, s. */
const STEPS = [60, 300, 600, 900, 1800, HOUR_S, 2 * HOUR_S, 4 * HOUR_S, 8 * HOUR_S]

function pathsBody({ paths, until: length, unit, min = 0, max }: PagePaths, o: PictureOptions): string {
  const until = Math.max(SHORTEST_S, length)
  const named = paths.filter((p) => p.end !== '').sort((a, b) => endOf(a).x - endOf(b).x)
  // Below the names the unit of the scale has a line of its own.
  const top = MARGIN.top + (named.length > 0 ? named.length * ROW + 14 : 6)
  const [left, right, bottom] = [MARGIN.left, o.width - MARGIN.right, o.height - MARGIN.bottom]
  const x = (s: number) => left + ((right - left) * s) / until
  const y = (v: number) => bottom - ((bottom - top) * (v - min)) / (max - min)
  const step = STEPS.find((s) => until / s <= Math.min(8, (right - left) / TICK_PX)) ?? Math.ceil(until / 8 / HOUR_S) * HOUR_S
  const grid = [
    ...ticks(min, max, 5).map((v) => line(left, y(v), right, y(v), o.quiet, ' stroke-opacity="0.2"') + label(left - 8, y(v) + 4, String(v).replace('-', '−'), o.quiet, 'end', 12)),
    ...Array.from({ length: Math.floor(until / step) + 1 }, (_, i) => i * step).map((s) => line(x(s), top, x(s), bottom, o.quiet, ' stroke-opacity="0.2"') + label(x(s), bottom + 18, clockText(s), o.quiet, 'middle', 12)),
    label(left - 8, top - 8, unit, o.quiet, 'end', 12),
  ]
  const drawn = paths.map((p) => {
    const { colour, dash } = p.faded ? { colour: o.quiet, dash: [] } : o.inks[p.ink % o.inks.length]
    const points = p.points.map((q) => `${fixed(x(q.x))},${fixed(y(q.y))}`).join(' ')
    const dashes = dash.length ? ` stroke-dasharray="${dash.join(' ')}"` : ''
    return `<polyline points="${points}" fill="none" stroke="${escaped(colour)}" stroke-width="${p.faded ? '0.8' : '2.2'}" stroke-linejoin="round"${dashes}/>`
  })
  // Names in rows of their own, the last to arrive on top: so none stands in the way of another's lead.
  const names = named.map((p, i) => {
    const { colour } = o.inks[p.ink % o.inks.length]
    const [endX, endY] = [x(endOf(p).x), y(endOf(p).y)]
    const rowY = MARGIN.top + (named.length - 1 - i) * ROW + 8
    const said = p.name ? `  ${p.end}` : p.end
    const words = fitted(p.name, o.width - 2 * EDGE_PX - widthOf(said, NAME_SIZE, 'bold'), NAME_SIZE, 'bold') + said
    const [px, room] = [widthOf(words, NAME_SIZE, 'bold'), o.width - EDGE_PX]
    const isLeft = endX > left + Math.min(NAME_PX, o.width * NAME_AT_MOST)
    // Beside its lead where there is room for it, else as near as the picture lets it.
    const textX = isLeft ? Math.max(endX - 6, EDGE_PX + px) : Math.min(endX + 6, room - px)
    const text = label(textX, rowY, words, colour, isLeft ? 'end' : 'start', NAME_SIZE, 600)
    const halo = text.replace('<text ', `<text paint-order="stroke" stroke="${escaped(o.ground)}" stroke-width="4" `)
    return line(endX, rowY - 4, endX, endY, colour, ' stroke-opacity="0.55"') + halo
  })
  const strokes = [
    ...paths.flatMap(({ points }) => points.slice(1).map((q, i): Stroke => [{ x: x(points[i].x), y: y(points[i].y) }, { x: x(q.x), y: y(q.y) }])),
    ...named.map((p): Stroke => [{ x: x(endOf(p).x), y: top - ROW }, { x: x(endOf(p).x), y: y(endOf(p).y) }]),
  ]
  const calls = paths.flatMap(({ calls: of = [], ink }) => of.map((call) => ({ ...call, ink, px: x(call.x), py: y(call.y) })))
  const called = callsBody(calls, strokes, { left, right, top, bottom }, o)
  return [...grid, line(left, y(0), right, y(0), o.quiet), ...drawn, called, ...names].join('')
} // prettier-ignore

const CALL_SIZE = 11
/** A letter of that size is about so wide, px. */
const CALL_LETTER_PX = 6.1

/** Points that are called out, each with its dot, and its words where there is room for them. */
function callsBody(calls: readonly (PageCall & { ink: number; px: number; py: number })[], strokes: readonly Stroke[], room: Room, o: PictureOptions): string {
  const words = calls.map(({ at, said }) => [at, said].filter(Boolean).join(', '))
  const places = placeCallouts(calls.map(({ px, py }, i) => ({ x: px, y: py, width: words[i].length * CALL_LETTER_PX, height: CALL_SIZE + 2 })), strokes, room)
  return calls
    .map(({ ink, px, py }, i) => {
      const { colour } = o.inks[ink % o.inks.length]
      const dot = `<circle cx="${fixed(px)}" cy="${fixed(py)}" r="3.2" fill="${escaped(colour)}" stroke="${escaped(o.ground)}" stroke-width="1"/>`
      const box = places[i]
      if (!box) return dot
      const [, lead] = leadOf({ x: px, y: py }, box)
      const led = line(px, py, lead.x, lead.y, colour, ' stroke-opacity="0.45"')
      return led + dot + label(box.left, box.bottom - 3, words[i], o.text, 'start', CALL_SIZE)
    })
    .join('')
} // prettier-ignore

/** Narrower than this no frame can be read, px. */
const PANEL_PX = 300
const PANEL_TITLE_PX = 22

/** How many frames stand side by side in a picture of this width. */
export const panelsAcross = (width: number, count: number): number =>
  Math.max(1, Math.min(count, Math.floor(width / PANEL_PX)))

function panelsBody({ panels, until, unit, max }: PagePanels, o: PictureOptions): string {
  const across = panelsAcross(o.width, panels.length)
  const rows = Math.ceil(panels.length / across)
  const [width, height] = [o.width / across, (o.height - MARGIN.top) / Math.max(1, rows)]
  return panels
    .map(({ title, paths }, i) => {
      const [x, y] = [(i % across) * width, Math.floor(i / across) * height]
      const frame = pathsBody(
        { kind: 'paths', alt: '', paths, until, unit, max },
        { ...o, width, height: height - PANEL_TITLE_PX },
      )
      return `<g transform="translate(${fixed(x)} ${fixed(y)})">${label(MARGIN.left, PANEL_TITLE_PX - 4, fitted(title, width - MARGIN.left - EDGE_PX, NAME_SIZE, 'bold'), o.text, 'start', 13, 600)}<g transform="translate(0 ${PANEL_TITLE_PX})">${frame}</g></g>`
    })
    .join('')
}

const endOf = (p: { points: readonly { x: number; y: number }[] }) =>
  p.points[p.points.length - 1] ?? { x: 0, y: 0 }
