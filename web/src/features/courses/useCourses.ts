import type { Ref } from 'vue'
import { api, must } from '@/api/client'
import { useNotice } from '@/shared/notice'

/** Puts courses in another order and out of the way. */
export function useCourses(courses: Ref<readonly string[]>, load: () => Promise<void>) {
  const notice = useNotice()

  async function reorder(course: string, step: number) {
    const titles = [...courses.value]
    const from = titles.indexOf(course)
    const to = Math.min(titles.length - 1, Math.max(0, from + step))
    if (from < 0 || from === to) return
    titles.splice(to, 0, ...titles.splice(from, 1))
    await notice.attempt(() => must(api.POST('/api/courses/order', { body: { titles } })))
    await load()
  }

  async function archive(course: string, isArchived: boolean) {
    await notice.attempt(() =>
      must(api.PUT('/api/courses/{course}', { params: { path: { course } }, body: { title: course, isArchived } })),
    )
    await load()
    if (isArchived) notice.tell(`“${course}” is out of the way, below your courses.`, () => archive(course, false))
  }
  return { reorder, archive }
}
