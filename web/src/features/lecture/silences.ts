import type { Silence } from '@/api/client'
import { indexAt } from '@/shared/time'

// Nearer to its end a jump would be heard as a click and save nothing.
const leastMs = 120

/** The silence that a moment lies in, if it is worth passing over. */
export function silenceAt(silences: readonly Silence[], ms: number): Silence | null {
  const found =
    silences[
      indexAt(
        silences.map((s) => s.startMs),
        ms,
      )
    ]
  return found && found.endMs - ms > leastMs ? found : null
}

/** What passing over all of them saves. */
export const savedMs = (silences: readonly Silence[]) => silences.reduce((sum, s) => sum + s.endMs - s.startMs, 0)
