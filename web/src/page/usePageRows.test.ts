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
  ).value

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

  it('say no names where one alone speaks', () => {
    const alone = transcript({ speakers: [{ id: 'v1', name: 'Ada', asks: false }] as Transcript['speakers'] })
    expect(rows(alone)[0]?.rows.every((r) => r.speaker === null)).toBe(true)
  })
})
