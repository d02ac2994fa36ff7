import { ref, type Ref } from 'vue'
import { api, must, type Elsewhere, type Lecture } from '@/api/client'
import { useNotice } from '@/shared/notice'
import { useLatest } from '@/shared/useLatest'

/** After a correction: whether the same mistake stands elsewhere. */
export function useElsewhere(id: Ref<string>, lecture: Ref<Lecture | null>) {
  const notice = useNotice()
  const latest = useLatest()
  const elsewhere = ref<Elsewhere | null>(null)

  async function ask(before: string, after: string) {
    const body = { before, after }
    await latest(
      () => must(api.POST('/api/lectures/{id}/elsewhere', { params: { path: { id: id.value } }, body })),
      (found) => {
        if (!found.phrase) return
        const canAddTerm = Boolean(lecture.value?.course) && !found.isTerm
        elsewhere.value = found.places + found.made > 0 || canAddTerm ? found : null
      },
      () => undefined,
    )
  }

  /** Adds the right word to the terms of the course, so that it is listened for next time. */
  async function addTerm() {
    const course = lecture.value?.course
    const word = elsewhere.value?.replacement
    if (!course || !word) return
    const done = await notice.attempt(async () => {
      const list = await must(api.GET('/api/courses/{course}/terms', { params: { path: { course } } }))
      const text = list.text ? `${list.text}\n${word}` : word
      return must(
        api.PUT('/api/courses/{course}/terms', { params: { path: { course } }, body: { text, version: list.version } }),
      )
    })
    if (!done) return
    notice.tell(`“${word}” is a term of ${course} now.`)
    if (elsewhere.value)
      elsewhere.value = elsewhere.value.places + elsewhere.value.made > 0 ? { ...elsewhere.value, isTerm: true } : null
  }

  return { elsewhere, ask, addTerm, close: () => (elsewhere.value = null) }
}
