import { computed } from 'vue'
import type { Passage, Transcript } from '@/api/client'
import { indexAt } from '@/shared/time'

/** A passage on the page, or the gap that passages leave which are not laid out yet. */
export interface PageRow {
  key: string
  /** Its height where it is a gap; 0 for a passage. */
  gap: number
  passage: Passage
  index: number
  /** Who speaks, where that is another than before. */
  speaker: string | null
  isQuestion: boolean
}

/** Rows that the browser lays out together once they come into sight, or leaves out: it looks at each block in every frame, and ten hours have a thousand passages. */
export interface PageBlock {
  key: string
  /** About how high it is, until it was seen. */
  height: number
  rows: PageRow[]
}

const rowsInBlock = 12

/** A passage with which a block begins, told by its name alone: what is added or taken out elsewhere moves no passage to another block. */
const beginsBlock = (id: string) =>
  [...id].reduce((sum, c) => (sum * 31 + c.charCodeAt(0)) % 9973, 7) % rowsInBlock === 0

/** Passages under their chapters; one nameless chapter while there are none yet. Those that are not laid out yet are one gap. */
export function usePageRows(
  transcript: () => Transcript,
  isReady: (index: number) => boolean,
  heightOf: (passage: Passage) => number,
) {
  const starts = computed(() => transcript().passages.map((p) => p.startMs))
  const names = computed(() => new Map(transcript().speakers.map((s) => [s.id, s])))
  const firstFrom = (ms: number) => indexAt(starts.value, ms - 1) + 1

  function rowsOf(from: number, to: number) {
    const { passages, speakers } = transcript()
    const rows: PageRow[] = []
    for (let index = from; index < to; index++) {
      const passage = passages[index]
      if (!passage) break
      const last = rows.at(-1)
      if (!isReady(index)) {
        const gap = heightOf(passage)
        if (last?.gap) last.gap += gap
        else rows.push({ key: `gap ${passage.id}`, gap, passage, index, speaker: null, isQuestion: false })
        continue
      }
      const speaker = speakers.length > 1 ? names.value.get(passage.speakerId) : undefined
      const isNew = passage.speakerId !== passages[index - 1]?.speakerId
      const row = { key: passage.id, gap: 0, passage, index, isQuestion: speaker?.asks === true }
      rows.push({ ...row, speaker: isNew ? (speaker?.name ?? null) : null })
    }
    return rows
  }

  function blocksOf(from: number, to: number) {
    const blocks: PageBlock[] = []
    for (const row of rowsOf(from, to)) {
      const height = row.gap || heightOf(row.passage)
      const last = blocks.at(-1)
      if (!last || row.gap || last.rows[0]?.gap || beginsBlock(row.passage.id))
        blocks.push({ key: row.key, height, rows: [row] })
      else {
        last.rows.push(row)
        last.height += height
      }
    }
    return blocks
  }

  return computed(() => {
    const { chapters, passages } = transcript()
    return chapters.length === 0
      ? [{ chapter: null, blocks: blocksOf(0, passages.length) }]
      : chapters.map((chapter) => ({
          chapter,
          blocks: blocksOf(firstFrom(chapter.startMs), firstFrom(chapter.endMs)),
        }))
  })
}
