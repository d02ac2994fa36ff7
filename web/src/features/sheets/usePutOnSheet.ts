import { api, must, type SheetEntry } from '@/api/client'
import { useNotice } from '@/shared/notice'

/** A place of a lecture, and what is to stand there. */
export interface PlaceForSheet {
  startMs: number
  endMs: number
  /** Other words than those that are said. */
  text?: string
  /** A mark whose picture stands below it. */
  mark?: number
  /** What the video shows then stands below it. */
  withPicture?: boolean
}

/** The person's own sheet that was written on last, of any of these; null for none. */
export const lastOwn = (sheets: readonly SheetEntry[]) =>
  sheets
    .filter((s) => s.form === 'own')
    .reduce<SheetEntry | null>((a, b) => (a && a.changedAt >= b.changedAt ? a : b), null)

/**
 * Puts a place on the person's own sheet, of the lecture or of its course, whichever was last written on; there is one
 * of the lecture from then on where there was none.
 */
export function usePutOnSheet() {
  const notice = useNotice()

  async function ofCourse(id: string) {
    const { course: name } = await must(api.GET('/api/lectures/{id}', { params: { path: { id } } }))
    return name ? must(api.GET('/api/courses/{course}/sheets', { params: { path: { course: name } } })) : []
  }

  return async (lectureId: string, place: PlaceForSheet) => {
    const path = { id: lectureId }
    const done = await notice.attempt(async () => {
      const ofLecture = await must(api.GET('/api/lectures/{id}/sheets', { params: { path } }))
      const body = { form: 'own' as const, ofMarks: false, subject: null }
      const own =
        lastOwn([...ofLecture, ...(await ofCourse(lectureId))]) ??
        (await must(api.POST('/api/lectures/{id}/sheets', { params: { path }, body })))
      return must(
        api.POST('/api/sheets/{sheet}/lines', {
          params: { path: { sheet: own.id } },
          body: { withPicture: false, ...place, lectureId },
        }),
      )
    })
    if (!done) return
    notice.tell(done.course ? `Put on “${done.name}” of the course.` : `Put on “${done.name}”.`, () => {
      const params = { path: { sheet: done.id, version: done.version - 1 } }
      const back = api.POST('/api/sheets/{sheet}/earlier/{version}', {
        params,
        body: { version: done.version },
      })
      void notice.attempt(() => must(back))
    })
  }
}
