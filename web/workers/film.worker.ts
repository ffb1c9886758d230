import figuresFont from '@fontsource-variable/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-wght-normal.woff2?url'
import textFont from '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2?url'
import { expose, transfer } from 'comlink'
import { zip } from 'fflate'
import { BufferTarget, canEncodeVideo, CanvasSource, Output, WebMOutputFormat } from 'mediabunny'
import { writeFigures, type Writing } from '@core/words/figures'
import { frameCount, frameMoment, replayLength, type ReplayRun } from '@core/compare/replay'
import { drawReplay, FRAME, type Pen, type ReplayLook, type ReplayWords } from '@core/formats/replayPicture'

export interface FilmOrder {
  runs: ReplayRun[]
  words: ReplayWords
  /** How the reader prefers figures. */
  writing: Writing
  look: ReplayLook
  /** How many seconds of the runs' clock pass in one of the film. */
  pace: number
  framesPerSecond: number
  /** Numbered pictures, even where the browser could write a film. */
  asPictures: boolean
}
export interface Film {
  kind: 'webm' | 'zip'
  bytes: Uint8Array
  frames: number
}

const BITS_PER_SECOND = 6_000_000
const KEY_FRAME_S = 2
const CODECS = ['vp9', 'vp8', 'av1'] as const

/** A worker has no fonts but those it loads. */
async function loadFonts({ text, figures }: ReplayLook): Promise<void> {
  const families: [string, string][] = [
    [text, textFont],
    [figures, figuresFont],
  ]
  const fonts = (self as unknown as { fonts: FontFaceSet }).fonts
  for (const [family, url] of families) {
    const [first] = family.split(',')
    const face = new FontFace(first.replaceAll("'", ''), `url(${url})`, { weight: '200 800' })
    fonts.add(await face.load())
  }
}

async function codecHere() {
  for (const codec of CODECS)
    if (await canEncodeVideo(codec, { width: FRAME.width, height: FRAME.height })) return codec
  return null
}

const work = {
  /** Writes the replay as a film, or as numbered pictures in a zip where the browser cannot encode one. */
  async make(order: FilmOrder, onProgress: (share: number) => void): Promise<Film> {
    writeFigures(order.writing)
    await loadFonts(order.look)
    const canvas = new OffscreenCanvas(FRAME.width, FRAME.height)
    const pen = canvas.getContext('2d') as unknown as Pen
    const lengthS = replayLength(order.runs)
    const count = frameCount(lengthS, order.pace, order.framesPerSecond)
    const draw = (frame: number) => {
      const atS = frameMoment(frame, lengthS, order.pace, order.framesPerSecond)
      drawReplay(pen, order.runs, atS, order.words, order.look)
      onProgress(frame / count)
    }
    const codec = order.asPictures ? null : await codecHere()
    const bytes = codec
      ? await film(canvas, codec, count, order.framesPerSecond, draw)
      : await pictures(canvas, count, draw)
    return transfer({ kind: codec ? 'webm' : 'zip', bytes, frames: count }, [bytes.buffer])
  },
}

async function film(
  canvas: OffscreenCanvas,
  codec: (typeof CODECS)[number],
  count: number,
  framesPerSecond: number,
  draw: (frame: number) => void,
): Promise<Uint8Array<ArrayBuffer>> {
  const target = new BufferTarget()
  const output = new Output({ format: new WebMOutputFormat(), target })
  const source = new CanvasSource(canvas, { codec, bitrate: BITS_PER_SECOND, keyFrameInterval: KEY_FRAME_S })
  output.addVideoTrack(source, { frameRate: framesPerSecond })
  await output.start()
  for (let frame = 0; frame < count; frame++) {
    draw(frame)
    await source.add(frame / framesPerSecond, 1 / framesPerSecond)
  }
  await output.finalize()
  return new Uint8Array(target.buffer!)
}

async function pictures(canvas: OffscreenCanvas, count: number, draw: (frame: number) => void) {
  const digits = String(count).length
  const files: Record<string, [Uint8Array, { level: 0 }]> = {}
  for (let frame = 0; frame < count; frame++) {
    draw(frame)
    const blob = await canvas.convertToBlob({ type: 'image/png' })
    // Pictures are packed already.
    files[`frame-${String(frame + 1).padStart(digits, '0')}.png`] = [
      new Uint8Array(await blob.arrayBuffer()),
      { level: 0 },
    ]
  }
  return new Promise<Uint8Array<ArrayBuffer>>((resolve, reject) =>
    zip(files, (error, bytes) => (error ? reject(error) : resolve(bytes as Uint8Array<ArrayBuffer>))),
  )
}

export type FilmWork = typeof work
expose(work)
