/**
 * What goes down on a button comes up on it, even where something above it came or went meanwhile and moved it: to be
 * bound to `pointerdown` of buttons that are pressed at a moment that counts.
 */
export const holdPointer = (event: PointerEvent): void =>
  (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
