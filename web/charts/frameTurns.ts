/** So long the pictures of a page may take of one frame, ms; then the next frame has its turn. */
const BUDGET_MS = 10

const waiting = new Set<() => void>()
let frame = 0

/**
 * Draws with the next frame, once, however often it was asked for until then. Pictures that move together are drawn one
 * after the other, as many as a frame has room for: a slow machine draws each of them less often, and stays in hand.
 */
export function drawInTurn(draw: () => void): void {
  waiting.add(draw)
  frame ||= requestAnimationFrame(turn)
}

export const drawNoMore = (draw: () => void): void => void waiting.delete(draw)

function turn() {
  frame = 0
  const began = performance.now()
  try {
    for (const draw of waiting) {
      waiting.delete(draw)
      draw()
      if (performance.now() - began > BUDGET_MS) break
    }
  } finally {
    // One that fails does not keep the others from their turn.
    if (waiting.size) frame ||= requestAnimationFrame(turn)
  }
}
