import type { PageBars } from '../words/page'
import { escaped, fitted, fixed, label, line, widthOf } from './svgMarks'
import { MARGIN, type PictureOptions } from './svgPicture'

/** Room for a bar's name and for what it comes to: a share of the picture, and never too little for the words. px */
const NAME_ROOM = { share: 0.26, least: 105 }
const SAID_ROOM = { share: 0.22, least: 150 }
const SIZE = 13
const GAP_PX = 10
const EDGE_PX = 4
const THICKEST_PX = 22

/** Where a row has its name and its bar, from the top of the row; px. */
interface Row {
  /** The bar's left edge. */
  from: number
  nameX: number
  nameY: number
  anchor: 'start' | 'end'
  /** The room of a name. */
  room: number
  middle: number
  thick: number
}

/** The name before its bar; above it, where one of the names is too long for that. */
function rowOf(names: readonly string[], height: number, width: number): Row {
  const from = Math.max(width * NAME_ROOM.share, NAME_ROOM.least)
  const room = from - GAP_PX - EDGE_PX
  if (names.every((name) => widthOf(name, SIZE) <= room)) {
    const [middle, thick] = [height / 2, Math.min(THICKEST_PX, height * 0.6)]
    return { from, nameX: from - GAP_PX, nameY: middle + 4, anchor: 'end', room, middle, thick }
  }
  const thick = Math.min(THICKEST_PX, height * 0.35)
  const middle = height - thick / 2 - 1
  return { from: EDGE_PX, nameX: EDGE_PX, nameY: height - thick - 6, anchor: 'start', room: width - 2 * EDGE_PX, middle, thick }
} // prettier-ignore

export function barsBody({ bars }: PageBars, o: PictureOptions): string {
  // One that is not known has no part in the scale of the others.
  const isKnown = (b: PageBars['bars'][number]) => Number.isFinite(b.value)
  const most = bars.filter(isKnown).reduce((top, b) => Math.max(top, b.value + (b.spread || 0)), 0) || 1
  const height = (o.height - MARGIN.top - MARGIN.bottom / 2) / Math.max(1, bars.length)
  const { from, nameX, nameY, anchor, room, middle, thick } = rowOf(bars.map((b) => b.name), height, o.width)
  const to = o.width - Math.max(o.width * SAID_ROOM.share, SAID_ROOM.least)
  const at = (v: number) => from + ((to - from) * Math.max(0, v)) / most
  const { colour } = o.inks[0]
  return bars
    .map((b, i) => {
      const top = MARGIN.top + height * i
      const y = top + middle
      const known = isKnown(b)
      const bar = known ? `<rect x="${fixed(from)}" y="${fixed(y - thick / 2)}" width="${fixed(at(b.value) - from)}" height="${fixed(thick)}" fill="${escaped(colour)}" fill-opacity="0.75"/>` : ''
      const spread = known && b.spread > 0 ? line(at(b.value - b.spread), y, at(b.value + b.spread), y, o.text, ' stroke-width="2"') : ''
      const name = label(nameX, top + nameY, fitted(b.name, room, SIZE), o.text, anchor)
      return bar + spread + name + label(to + GAP_PX, y + 4, b.said, o.text)
    })
    .join('')
} // prettier-ignore
