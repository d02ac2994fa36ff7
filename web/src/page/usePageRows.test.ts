import { describe, expect, it } from 'vitest'
import type { Passage, Transcript } from '@/api/client'
import { usePageRows } from './usePageRows'

const passage = (id: string, startMs: number, speakerId = 'v1') => ({ id, startMs, speakerId }) as Passage
const transcript = (change: Partial<Transcript> = {}) =>
  ({
    speakers: [
      { id: 'v1', name: 'Ada', asks: true },
      { id: 'v2', name: 'Voice 2', asks: false },
    ],
    passages: [passage('p1', 0), passage('p2', 5000), passage('p3', 9000, 'v2')],
    chapters: [],
    ...change,
  }) as unknown as Transcript
const rows = (t: Transcript, isReady: (index: number) => boolean = () => true) =>
  usePageRows(
    () => t,
    isReady,
    () => 100,
  ).value.map((c) => ({ ...c, rows: c.blocks.flatMap((b) => b.rows) }))

describe('the rows of a page', () => {
  it('name who speaks where that changes, and set questions apart', () => {
    const [all] = rows(transcript())
    expect(all?.chapter).toBeNull()
    expect(all?.rows.map((r) => [r.key, r.speaker, r.isQuestion])).toEqual([
      ['p1', 'Ada', true],
      ['p2', null, true],
      ['p3', 'Voice 2', false],
    ])
  })

  it('stand under their chapters', () => {
    const chapters = [
      { title: 'One', startMs: 0, endMs: 5000 },
      { title: 'Two', startMs: 5000, endMs: 12000 },
    ]
    expect(rows(transcript({ chapters })).map((c) => [c.chapter?.title, c.rows.map((r) => r.key)])).toEqual([
      ['One', ['p1']],
      ['Two', ['p2', 'p3']],
    ])
  })

  it('are one gap as high as all that is not laid out yet', () => {
    const [all] = rows(transcript(), (index) => index === 0)
    expect(all?.rows.map((r) => [r.key, r.gap])).toEqual([
      ['p1', 0],
      ['gap p2', 200],
    ])
  })

  it('lie in blocks that a passage more or less does not move to others, a gap in one of its own', () => {
    const many = Array.from({ length: 300 }, (_, i) => passage(`p${i}`, i * 1000))
    const blocks = (passages: Passage[], isReady?: (index: number) => boolean) =>
      rows(transcript({ passages }), isReady)[0]?.blocks ?? []
    const names = (passages: Passage[]) => blocks(passages).map((b) => b.rows.map((r) => r.key).join(' '))
    expect(blocks(many).length).toBeGreaterThan(12)
    expect(Math.max(...blocks(many).map((b) => b.rows.length))).toBeLessThan(40)
    expect(blocks(many).reduce((sum, b) => sum + b.height, 0)).toBe(30_000)
    const without = names(many.filter((p) => p.id !== 'p151'))
    expect(names(many).filter((block) => !without.includes(block)).length).toBeLessThan(3)
    const last = blocks(many, (index) => index < 3).at(-1)
    expect([last?.height, last?.rows.map((r) => r.gap)]).toEqual([29_700, [29_700]])
  })

  it('say no names where one alone speaks', () => {
    const alone = transcript({ speakers: [{ id: 'v1', name: 'Ada', asks: false }] as Transcript['speakers'] })
    expect(rows(alone)[0]?.rows.every((r) => r.speaker === null)).toBe(true)
  })
})
