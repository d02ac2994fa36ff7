import { api, must } from '@/api/client'
import { useNotice } from '@/shared/notice'

/** A place of a lecture, and what is to stand there. */
interface Place {
  startMs: number
  endMs: number
  /** Other words than those that are said. */
  text?: string
}

/** Puts a place on the lecture's own sheet, the one that was last written on; there is one from then on. */
export function usePutOnSheet(lectureId: () => string) {
  const notice = useNotice()
  return async (place: Place) => {
    const path = { id: lectureId() }
    const done = await notice.attempt(async () => {
      const sheets = await must(api.GET('/api/lectures/{id}/sheets', { params: { path } }))
      const own =
        sheets.find((s) => s.form === 'own') ??
        (await must(
          api.POST('/api/lectures/{id}/sheets', {
            params: { path },
            body: { form: 'own', ofMarks: false, subject: null },
          }),
        ))
      const body = { startMs: place.startMs, endMs: place.endMs, text: place.text ?? null }
      return must(api.POST('/api/sheets/{sheet}/lines', { params: { path: { sheet: own.id } }, body }))
    })
    if (!done) return
    notice.tell(`Put on “${done.name}”.`, () => {
      const params = { path: { sheet: done.id, version: done.version - 1 } }
      const back = api.POST('/api/sheets/{sheet}/earlier/{version}', {
        params,
        body: { version: done.version },
      })
      void notice.attempt(() => must(back))
    })
  }
}
