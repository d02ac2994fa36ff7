/** Times for an axis: the smallest round step that leaves room between labels, from the first such moment on. */
export function ticks(lengthMs: number, widthPx: number, roomPx = 90, fromMs = 0): number[] {
  const steps = [1, 2, 5, 10, 15, 30, 60, 120, 300, 600, 900, 1800, 3600, 7200].map((s) => s * 1000)
  const step = steps.find((s) => (s / lengthMs) * widthPx >= roomPx) ?? 7200_000
  const first = Math.ceil(fromMs / step)
  const last = Math.floor((fromMs + lengthMs) / step)
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => (first + i) * step)
}

/** The mean loudness under each of `columns` equal parts of a drawing; 0 where at least half of a part is silence. */
export function columnsOf(peaks: Uint8Array, columns: number, quietBelow: number): Uint8Array {
  const out = new Uint8Array(columns)
  for (let c = 0; c < columns; c++) {
    const from = Math.floor((c * peaks.length) / columns)
    const to = Math.max(from + 1, Math.floor(((c + 1) * peaks.length) / columns))
    let sum = 0
    let quiet = 0
    for (let i = from; i < to; i++) {
      sum += peaks[i] ?? 0
      if ((peaks[i] ?? 0) < quietBelow) quiet++
    }
    out[c] = quiet * 2 >= to - from ? 0 : Math.round(sum / (to - from))
  }
  return out
}
