/** The part of a lecture that the stave shows, in milliseconds. */
export interface View {
  fromMs: number
  toMs: number
}

/** Shorter than this nothing more can be seen. */
const leastMs = 4_000

export const whole = (durationMs: number): View => ({ fromMs: 0, toMs: Math.max(1, durationMs) })
export const lengthOf = (v: View) => v.toMs - v.fromMs
export const isWhole = (v: View, durationMs: number) => lengthOf(v) >= durationMs

/** As long as wanted and inside of the lecture. */
function inside(fromMs: number, lengthMs: number, durationMs: number): View {
  const length = Math.min(Math.max(lengthMs, Math.min(leastMs, durationMs)), Math.max(1, durationMs))
  const from = Math.min(Math.max(0, fromMs), Math.max(0, durationMs - length))
  return { fromMs: from, toMs: from + length }
}

/** So many times as much time, a moment staying where it is. */
export function zoom(v: View, times: number, aroundMs: number, durationMs: number): View {
  const length = Math.min(Math.max(lengthOf(v) * times, Math.min(leastMs, durationMs)), durationMs)
  const share = (aroundMs - v.fromMs) / lengthOf(v)
  return inside(aroundMs - share * length, length, durationMs)
}

/** Moved along. */
export const pan = (v: View, byMs: number, durationMs: number): View => inside(v.fromMs + byMs, lengthOf(v), durationMs)

/** Moved on by its own length where a moment lies outside of it: the playhead is never lost. */
export function follow(v: View, ms: number, durationMs: number): View {
  if (ms >= v.fromMs && ms <= v.toMs) return v
  return inside(ms - lengthOf(v) * 0.1, lengthOf(v), durationMs)
}

/** All of a stretch, with a little around it. */
export const showing = (startMs: number, endMs: number, durationMs: number): View =>
  inside(startMs - (endMs - startMs) * 0.1, (endMs - startMs) * 1.2, durationMs)

/** The nearest of some moments in ascending order, if it is near enough; else the moment itself. */
export function snap(ms: number, moments: readonly number[], nearMs: number): number {
  let low = 0
  let high = moments.length
  while (low < high) {
    const mid = (low + high) >> 1
    if ((moments[mid] ?? 0) < ms) low = mid + 1
    else high = mid
  }
  const near = [moments[low - 1], moments[low]].filter((m) => m !== undefined && Math.abs(m - ms) <= nearMs) as number[]
  return near.sort((a, b) => Math.abs(a - ms) - Math.abs(b - ms))[0] ?? ms
}
