const longMs = 15_000
const waitMs = 3000

/**
 * Tells that nothing was heard for a while though recording went on: the computer slept, or the browser stopped the window. Sound that
 * only arrived late, all at once, is no such hole.
 *
 * @param told Is given how long it was, and where in the sound, in milliseconds.
 */
export function standstillWatch(told: (ms: number, atMs: number) => void) {
  let last: number | null = null
  let hole: { ms: number; since: number; atMs: number; soundMs: number } | null = null

  /** From now on sound should come, or none any more. */
  function run(isOn: boolean, now = Date.now()) {
    last = isOn ? now : null
    hole = null
  }

  /** A piece came, with which the sound has come to a moment. */
  function piece(ms: number, atMs: number, now = Date.now()) {
    if (last === null) return
    if (hole) {
      hole.soundMs += ms
      if (now - hole.since >= waitMs) {
        const missing = hole.ms - (hole.soundMs - (now - hole.since))
        if (missing > longMs) told(missing, hole.atMs)
        hole = null
      }
    } else if (now - last > longMs) {
      hole = { ms: now - last, since: now, atMs: Math.max(0, atMs - ms), soundMs: ms }
    }
    last = now
  }

  return { run, piece }
}
