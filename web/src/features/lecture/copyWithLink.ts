import type { Lecture } from '@/api/client'
import type { Span } from '@/page/usePassages'
import { useNotice } from '@/shared/notice'
import { clock } from '@/shared/time'

const escape = (text: string) => text.replace(/&/gu, '&amp;').replace(/</gu, '&lt;').replace(/"/gu, '&quot;')

/** Copies words with where they were said and a link that opens the lecture at that second: as text, and as HTML for who can take it. */
export async function copyWithLink(lecture: Lecture, span: Span) {
  const notice = useNotice()
  const link = `${location.origin}/lecture/${lecture.id}?t=${Math.floor(span.startMs / 1000)}`
  const source = `${lecture.title}, ${clock(span.startMs)}`
  const text = `${span.quote}\n${source}: ${link}`
  const html = `<blockquote>${escape(span.quote)}</blockquote><p><a href="${escape(link)}">${escape(source)}</a></p>`
  try {
    await navigator.clipboard.write([
      new ClipboardItem({
        'text/plain': new Blob([text], { type: 'text/plain' }),
        'text/html': new Blob([html], { type: 'text/html' }),
      }),
    ])
    notice.tell('Copied with its link.')
  } catch {
    notice.fail(new Error('This browser did not allow copying. Select the words and copy them with its own key.'))
  }
}
