/** m:ss or h:mm:ss. */
export function clock(ms: number): string {
  const s = Math.floor(ms / 1000)
  const two = (n: number) => String(n).padStart(2, '0')
  return s >= 3600
    ? `${Math.floor(s / 3600)}:${two(Math.floor(s / 60) % 60)}:${two(s % 60)}`
    : `${Math.floor(s / 60)}:${two(s % 60)}`
}

/** A duration in words: "45 s", "14 min", "1 h 5 min". */
export function duration(ms: number): string {
  const s = Math.round(ms / 1000)
  if (s < 60) return `${s} s`
  const min = Math.round(s / 60)
  if (min < 60) return `${min} min`
  return min % 60 ? `${Math.floor(min / 60)} h ${min % 60} min` : `${min / 60} h`
}

/** A chapter's length: "1 min 4 s". */
export function exactDuration(ms: number): string {
  const s = Math.round(ms / 1000)
  if (s < 60) return `${s} s`
  return s % 60 ? `${Math.floor(s / 60)} min ${s % 60} s` : `${s / 60} min`
}

/** A day in the browser's locale; the year only when it is another one. */
export function day(iso: string | null | undefined, today = new Date()): string {
  if (!iso) return ''
  const date = iso.length === 10 ? new Date(`${iso}T12:00:00`) : new Date(iso)
  const year = date.getFullYear() === today.getFullYear() ? undefined : 'numeric'
  return date.toLocaleDateString(undefined, { day: 'numeric', month: 'long', year })
}

/** A day with the time of day. */
export const moment = (iso: string) =>
  new Date(iso).toLocaleString(undefined, { day: 'numeric', month: 'long', hour: '2-digit', minute: '2-digit' })

/** "1 card", "3 cards". */
export const count = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`

/** Index of the last start at or before a time in an ascending list; -1 before the first. */
export function indexAt(starts: readonly number[], ms: number): number {
  let low = 0
  let high = starts.length
  while (low < high) {
    const mid = (low + high) >> 1
    if ((starts[mid] ?? Infinity) <= ms) low = mid + 1
    else high = mid
  }
  return low - 1
}
