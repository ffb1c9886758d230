/** So long the pictures of a page may take of one frame, ms; then the next frame has its turn. */
const BUDGET_MS = 10

const waiting = new Set<() => void>()
let isAsked = false

/**
 * Draws after the next frame, once, however often it was asked for until then. Pictures that move together are drawn one
 * after the other, as many as a frame has room for: a slow machine draws each of them less often, and stays in hand.
 */
export function drawInTurn(draw: () => void): void {
  waiting.add(draw)
  ask()
}

export const drawNoMore = (draw: () => void): void => void waiting.delete(draw)

/** Not in the frame itself but right after it: with what the page lays out for that frame it would be one long task. */
function ask() {
  if (isAsked) return
  isAsked = true
  requestAnimationFrame(() => setTimeout(turn, 0))
}

function turn() {
  isAsked = false
  const began = performance.now()
  try {
    for (const draw of waiting) {
      waiting.delete(draw)
      draw()
      if (performance.now() - began > BUDGET_MS) break
    }
  } finally {
    // One that fails does not keep the others from their turn.
    if (waiting.size) ask()
  }
}
