import type { Level } from './microphone'

/** What is wrong with the sound of the last seconds, and what to do about it. */
export type Verdict = 'nothing' | 'quiet' | 'clipped' | 'noisy' | 'echoing' | 'good'

export const advice: Record<Verdict, string> = {
  nothing: 'No sound arrives. Is the right device chosen, and switched on?',
  quiet: 'Too quiet. Sit nearer, or use a microphone that is clipped on.',
  clipped: 'Too loud: it is cut off. Turn the microphone down, or move away a little.',
  noisy: 'Much noise. Move away from the fan, or from the window.',
  echoing: 'The room echoes. Sit nearer to who speaks, or use a microphone that is clipped on.',
  good: 'Good.',
}

/** Levels of this many tenths of a second are judged: five seconds. */
export const judged = 50

// Judgements, of full scale: below is silence of a switch; below is far away; above is cut off; a floor above this is a fan beside one.
const silence = 0.002
const faint = 0.04
const full = 0.99
const floor = 0.02

/** Judges the levels of the last seconds. */
export function judge(levels: readonly Level[]): Verdict {
  const peak = Math.max(0, ...levels.map((l) => l.peak))
  if (peak < silence) return 'nothing'
  if (levels.filter((l) => l.peak >= full).length > levels.length / 20) return 'clipped'
  if (peak < faint) return 'quiet'
  const quietest = levels.map((l) => l.rms).sort((a, b) => a - b)[Math.floor(levels.length / 10)] ?? 0
  return quietest > floor ? 'noisy' : 'good'
}

/** How far a meter goes out, from 0 to 1: by decibels, of which 60 are shown. */
export const reach = (peak: number) => Math.max(0, Math.min(1, 1 + (20 * Math.log10(Math.max(peak, 1e-6))) / 60))
