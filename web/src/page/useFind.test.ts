import { describe, expect, it } from 'vitest'
import { nextTick, ref, shallowRef } from 'vue'
import type { Transcript } from '@/api/client'
import { inComponent } from '@/testing/inComponent'
import { said, written } from '@/testing/transcripts'
import { hitsIn, useFind } from './useFind'

const lecture = written([
  said('p1', 'The tide rises um twice. A tide falls.', 0, { fillers: [3] }),
  said('p2', 'Spring tides are high.', 10_000),
])

describe('looking for words', () => {
  it('finds them in any case and as parts of words, with their seconds', () =>
    expect(hitsIn(lecture, 'TIDE', false).map((h) => [h.passage, h.startMs])).toEqual([
      [0, 500],
      [0, 3000],
      [1, 10_500],
    ]))

  it('finds what is shown: words that a hidden filler divides', () => {
    expect(hitsIn(lecture, 'rises twice', false)).toHaveLength(0)
    expect(hitsIn(lecture, 'rises twice', true).map((h) => [h.startMs, h.endMs])).toEqual([[1000, 2400]])
  })

  it('finds nothing for nothing', () => {
    expect(hitsIn(lecture, '  ', false)).toEqual([])
    expect(hitsIn(null, 'tide', false)).toEqual([])
  })

  it('walks round, and stays inside when there is less to find', async () => {
    const transcript = shallowRef<Transcript | null>(lecture)
    const [find, end] = inComponent(() => useFind(transcript, ref(false)))
    find.isOpen.value = true
    find.wanted.value = 'tide'
    await nextTick()
    find.step(-1)
    expect(find.at.value).toBe(2)
    find.step(1)
    expect(find.at.value).toBe(0)
    find.step(2)
    transcript.value = written(lecture.passages.slice(0, 1))
    await nextTick()
    expect([find.hits.value.length, find.at.value]).toEqual([2, 1])
    end()
  })
})
