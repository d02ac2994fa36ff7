import type { Progress } from '@/api/client'

/** How a transcription stands, in words. */
export function describe(work: Progress): string {
  if (work.state === 'failed') return work.problem ?? 'This could not be transcribed.'
  if (work.state === 'cancelled') return 'Stopped. What was recognised so far is kept.'
  if (work.state === 'waiting') return 'Waiting for its turn'
  if (work.state === 'done') return 'Done'
  if (work.stage === 'checking') return 'Looking at the file'
  if (work.stage === 'arranging') return 'Finding chapters'
  const percent = `${Math.floor(work.fraction * 100)} %`
  return `Writing down what is said · ${percent}${left(work.secondsLeft)}`
}

function left(seconds: number | null | undefined): string {
  if (seconds === null || seconds === undefined) return ''
  if (seconds < 60) return ` · ${seconds} s left`
  return ` · ${Math.round(seconds / 60)} min left`
}
