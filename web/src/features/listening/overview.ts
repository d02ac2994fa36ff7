import type { Evidence } from '@/api/client'

type Said = Pick<Evidence, 'startMs' | 'endMs' | 'quote' | 'lectureId'>

const titleLength = 60

/** The parts of a listening plan that says what some lines say: in the order of the lecture, none twice, what follows at once in one part. */
export function overviewParts(lines: readonly Said[]) {
  const parts: { lectureId: string; startMs: number; endMs: number; title: string }[] = []
  for (const line of [...lines].sort((a, b) => a.startMs - b.startMs)) {
    const last = parts.at(-1)
    if (last && line.startMs < last.endMs + 1) last.endMs = Math.max(last.endMs, line.endMs)
    else parts.push({ lectureId: line.lectureId, startMs: line.startMs, endMs: line.endMs, title: short(line.quote) })
  }
  return parts
}

const short = (text: string) =>
  text.length <= titleLength ? text : `${text.slice(0, text.lastIndexOf(' ', titleLength))} …`
