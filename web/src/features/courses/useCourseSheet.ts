import { onScopeDispose, ref } from 'vue'
import type { CourseSheetPiece, Sheet } from '@/api/client'
import { useNotice } from '@/shared/notice'
import { streamed } from '@/shared/streamed'

/** Makes a sheet over lectures of a course; says lecture by lecture how far it is, and can be stopped. */
export function useCourseSheet(course: () => string) {
  const notice = useNotice()
  const [read, of, isMaking] = [ref(0), ref(0), ref(false)]
  let stopper: AbortController | null = null

  /**
   * The sheet; null where there is none, which was told then.
   *
   * @param lectureIds Of which lectures; null for all.
   */
  async function make(lectureIds: string[] | null): Promise<Sheet | null> {
    stopper = new AbortController()
    read.value = of.value = 0
    isMaking.value = true
    let made: Sheet | null = null
    try {
      const address = `/api/courses/${encodeURIComponent(course())}/sheets`
      const pieces = streamed<CourseSheetPiece>(address, { lectureIds }, stopper.signal, 'The sheet could not be made.')
      for await (const piece of pieces) {
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
