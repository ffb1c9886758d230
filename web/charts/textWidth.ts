let ruler: CanvasRenderingContext2D | null | undefined
/** How wide a text is drawn, px; `font` as a canvas takes it. */
export function widthOf(text: string, font: string): number {
  ruler ??= document.createElement('canvas').getContext('2d')
  if (!ruler) return text.length * 8
  ruler.font = font
  return ruler.measureText(text).width
}
