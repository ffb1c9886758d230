// A metronome that a background tab does not slow down.
const TICK_MS = 250
setInterval(() => postMessage(0), TICK_MS)
