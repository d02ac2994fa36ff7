import type { Progress } from '@/api/client'

/** How a transcription stands, in words. */
export function describe(progress: Progress): string {
  if (progress.state === 'failed') return progress.problem ?? 'This could not be transcribed.'
  if (progress.state === 'cancelled') return 'Stopped. What was recognised so far is kept.'
  if (progress.state === 'waiting') return 'Waiting for its turn'
  if (progress.state === 'done') return 'Done'
  if (progress.stage === 'checking') return 'Looking at the file'
  if (progress.stage === 'arranging') return 'Finding chapters'
  const percent = `${Math.floor(progress.fraction * 100)} %`
  return `Writing down what is said · ${percent}${left(progress.secondsLeft)}`
}

function left(seconds: number | null | undefined): string {
  if (seconds === null || seconds === undefined) return ''
  if (seconds < 60) return ` · ${seconds} s left`
  return ` · ${Math.round(seconds / 60)} min left`
}
