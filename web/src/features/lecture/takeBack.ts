import { api, must, says, type LectureEdit } from '@/api/client'
import type { useNotice } from '@/shared/notice'
import { count } from '@/shared/time'

/** Says that some of what was made stays when an edit is taken back. */
export const stays = (things: number): string =>
  things === 1
    ? '1 thing made from this lecture was changed since, and stays as it is.'
    : `${count(things, 'thing')} made from this lecture were changed since, and stay as they are.`

/** Takes an edit back in every lecture that it was made in. One that was changed again since stays as it is, and that is said. */
export async function takeBack(
  edits: readonly LectureEdit[],
  notice: Pick<ReturnType<typeof useNotice>, 'tell' | 'fail'>,
) {
  const problems = new Set<string>()
  let things = 0
  for (const { lectureId, edit } of edits) {
    try {
      const params = { path: { id: lectureId }, query: { only: edit } }
      things += (await must(api.POST('/api/lectures/{id}/edits/undo', { params }))).leftAlone
    } catch (e) {
      problems.add(says(e))
    }
  }
  if (problems.size) notice.fail([...problems].join(' '))
  else notice.tell(things ? stays(things) : 'Taken back.')
}
