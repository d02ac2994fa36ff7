import { describe, expect, it } from 'vitest'
import { overviewParts } from './overview'

const line = (startMs: number, endMs: number, quote = 'Said.') => ({ lectureId: 'seas', startMs, endMs, quote })

describe('what is heard of some lines', () => {
  it('goes in the order of the lecture and says nothing twice', () => {
    const parts = overviewParts([line(9000, 12000), line(0, 4000), line(3000, 6000), line(0, 4000)])
    expect(parts.map((p) => [p.startMs, p.endMs])).toEqual([
      [0, 6000],
      [9000, 12000],
    ])
  })

  it('is called by its first words', () => {
    const long = 'The range of the tide is the difference between high water and the low water that follows.'
    const title = overviewParts([line(0, 1, long)])[0]?.title ?? ''
    expect(title.length).toBeLessThanOrEqual(62)
    expect(long.startsWith(title.replace(' …', ''))).toBe(true)
    expect(overviewParts([])).toEqual([])
  })
})
