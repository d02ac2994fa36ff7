import { onScopeDispose, ref } from 'vue'
import type { CourseSheetPiece, Sheet } from '@/api/client'
import { linesOf } from '@/shared/linesOf'
import { useNotice } from '@/shared/notice'

/** Makes a sheet over all lectures of a course; says lecture by lecture how far it is, and can be stopped. */
export function useCourseSheet(course: () => string) {
  const notice = useNotice()
  const [read, of, isMaking] = [ref(0), ref(0), ref(false)]
  let stopper: AbortController | null = null

  /** The sheet; null where there is none, which was told then. */
  async function make(): Promise<Sheet | null> {
    stopper = new AbortController()
    read.value = of.value = 0
    isMaking.value = true
    let made: Sheet | null = null
    try {
      const answer = await fetch(`/api/courses/${encodeURIComponent(course())}/sheets`, {
        method: 'POST',
        signal: stopper.signal,
      })
      if (!answer.ok || !answer.body) {
        const { detail } = (await answer.json().catch(() => ({}))) as { detail?: string }
        throw new Error(detail ?? 'The sheet could not be made.')
      }
      for await (const line of linesOf(answer.body)) {
        const piece = JSON.parse(line) as CourseSheetPiece
        ;[read.value, of.value] = [piece.read, piece.lectures]
        if (piece.problem) throw new Error(piece.problem)
        made = piece.sheet ?? made
      }
      if (!made) throw new Error('The sheet was not finished. Try again.')
    } catch (e) {
      if (!stopper.signal.aborted) notice.fail(e)
    }
    isMaking.value = false
    return made
  }

  const stop = () => stopper?.abort()
  onScopeDispose(stop)
  return { read, of, isMaking, make, stop }
}
