import type { Progress } from '@/api/client'

/** How a lecture's job stands, in words. */
export function describe(progress: Progress): string {
  if (progress.state === 'failed') return progress.problem ?? 'This could not be transcribed.'
  if (progress.state === 'cancelled')
    return progress.stage === 'fetching'
      ? 'Stopped. What had arrived is kept.'
      : 'Stopped. What was recognised so far is kept.'
  if (progress.state === 'waiting') return 'Waiting for its turn'
  if (progress.state === 'done') return 'Done'
  if (progress.stage === 'checking') return 'Looking at the file'
  if (progress.stage === 'arranging') return 'Finding chapters'
  const percent = `${Math.floor(progress.fraction * 100)} %`
  if (progress.stage === 'making')
    return progress.fraction
      ? `Making what is wanted of it · ${percent}${left(progress.secondsLeft)}`
      : 'Making what is wanted of it'
  if (progress.stage === 'fetching')
    return progress.fraction ? `Fetching · ${percent}${left(progress.secondsLeft)}` : 'Fetching'
  return `Writing down what is said · ${percent}${left(progress.secondsLeft)}`
}

/** How far the bar is, 0 to 100; null while nothing says. */
export function percentDone(progress: Progress): number | null {
  if (progress.state === 'waiting') return 0
  return progress.stage === 'listening' || (['fetching', 'making'].includes(progress.stage) && progress.fraction > 0)
    ? progress.fraction * 100
    : null
}

function left(seconds: number | null | undefined): string {
  if (!seconds) return ''
  if (seconds < 60) return ` · ${seconds} s left`
  return ` · ${Math.round(seconds / 60)} min left`
}
