import { panelsAcross, svgPicture } from '@core/formats/svgPicture'
import type { PagePicture } from '@core/words/page'
import { INKS } from '../../theme/inks'

/** The two papers of a page for others. */
const PAPERS = {
  light: { text: '#263040', quiet: '#5d6675', ground: '#fbf7ef' },
  dark: { text: '#ece6d8', quiet: '#a7afba', ground: '#12181f' },
} as const
export type Paper = keyof typeof PAPERS

/** Sizes of a picture, px: on a page, for a film's frame, and on a phone's screen. */
export const SIZES = { page: [820, 400], wide: [1280, 720], phone: [380, 320] } as const
export type Size = keyof typeof SIZES
const BAR_PX = 38
const AROUND_PX = 40
const PANEL_PX = 240

/** Bars and rows of frames take the room they need. */
function heightOf(picture: PagePicture, width: number, usual: number): number {
  switch (picture.kind) {
    case 'paths':
      return usual
    case 'bars':
      return AROUND_PX + BAR_PX * picture.bars.length
    case 'panels':
      return (
        AROUND_PX + PANEL_PX * Math.ceil(picture.panels.length / panelsAcross(width, picture.panels.length))
      )
  }
}

/** A picture as SVG, drawn from the same numbers as the table beside it. */
export function pictureSvg(
  picture: PagePicture,
  paper: Paper,
  simulated: boolean,
  size: Size = 'page',
): string {
  const [width, height] = SIZES[size]
  const own = size === 'wide' ? height : heightOf(picture, width, height)
  return svgPicture(picture, {
    width,
    height: own,
    inks: INKS.map((ink) => ({ colour: ink[paper], dash: ink.dash })),
    ...PAPERS[paper],
    mark: simulated ? 'simulated' : '',
  })
}

/** An SVG as PNG at twice its size. */
export async function pngOf(svg: string): Promise<Blob> {
  const url = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }))
  try {
    const image = new Image()
    image.src = url
    await image.decode()
    const canvas = new OffscreenCanvas(2 * image.width, 2 * image.height)
    const context = canvas.getContext('2d')
    if (!context) throw new Error('This browser draws no pictures.')
    context.drawImage(image, 0, 0, canvas.width, canvas.height)
    return await canvas.convertToBlob({ type: 'image/png' })
  } finally {
    URL.revokeObjectURL(url)
  }
}
