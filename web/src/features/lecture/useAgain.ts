import { ref, type Ref } from 'vue'
import { api, must, type Again, type Lecture } from '@/api/client'
import { useNotice } from '@/shared/notice'

/** After a correction: whether the same mistake stands elsewhere. */
export function useAgain(id: Ref<string>, lecture: Ref<Lecture | null>) {
  const notice = useNotice()
  const again = ref<Again | null>(null)

  async function ask(before: string, after: string) {
    const { data } = await api
      .POST('/api/lectures/{id}/again', { params: { path: { id: id.value } }, body: { before, after } })
      .catch(() => ({ data: undefined }))
    if (!data?.phrase) return
    const canAddTerm = Boolean(lecture.value?.course) && !data.isTerm
    again.value = data.places + data.made > 0 || canAddTerm ? data : null
  }

  /** Adds the right word to the terms of the course, so that it is listened for next time. */
  async function addTerm() {
    const course = lecture.value?.course
    const word = again.value?.replacement
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
    if (again.value) again.value = again.value.places + again.value.made > 0 ? { ...again.value, isTerm: true } : null
  }

  return { again, ask, addTerm, close: () => (again.value = null) }
}
