import { describe, expect, it, vi } from 'vitest'
import { nextTick, shallowRef } from 'vue'
import type { Edit, Transcript } from '@/api/client'
import { inComponent } from '@/testing/inComponent'
import { said, written } from '@/testing/transcripts'
import { doubtsIn, useDoubts } from './useDoubts'
import type { Edits } from './useEdits'

const lecture = () =>
  written([
    said('p1', 'the tied rises', 0, { doubts: [{ word: 1, chance: 0.3 }] } as never),
    said('p2', 'slack water comes', 5000, {
      doubts: [
        { word: 0, chance: 0.5 },
        { word: 2, chance: 0.6 },
      ],
    } as never),
  ])

function walk(saves = true) {
  const transcript = shallowRef<Transcript | null>(lecture())
  const edit = vi.fn<(edit: Edit) => Promise<boolean>>(async () => saves)
  const [doubts, end] = inComponent(() => useDoubts(transcript, { edit } as unknown as Edits))
  doubts.open(0)
  return { doubts, edit, transcript, end }
}

describe('the walk through doubtful words', () => {
  it('knows every one with its time', () =>
    expect(doubtsIn(lecture()).map((d) => [d.text, d.startMs])).toEqual([
      ['tied', 500],
      ['slack', 5000],
      ['comes', 6000],
    ]))

  it('begins where one is, goes on and comes round', () => {
    const { doubts, end } = walk()
    doubts.open(4000)
    expect(doubts.current.value?.text).toBe('slack')
    doubts.skip(1)
    expect(doubts.current.value?.text).toBe('comes')
    doubts.skip(1)
    expect(doubts.current.value?.text).toBe('tied')
    doubts.skip(-1)
    expect(doubts.current.value?.text).toBe('comes')
    end()
  })

  it('finds a word right or writes another, and counts', async () => {
    const { doubts, edit, transcript, end } = walk()
    expect(await doubts.settle('tide')).toBe('tied')
    expect(edit.mock.calls[0]?.[0]).toMatchObject({ kind: 'replace', places: [{ expected: 'tied', text: 'tide' }] })
    transcript.value = written(lecture().passages.map((p) => (p.id === 'p1' ? { ...p, doubts: [] } : p)))
    await nextTick()
    expect(doubts.current.value?.text).toBe('slack')
    expect(await doubts.settle('slack')).toBeNull()
    expect(edit.mock.calls[1]?.[0]).toMatchObject({ kind: 'accept', passageId: 'p2', firstWord: 0 })
    expect([doubts.done.value, doubts.total.value]).toEqual([2, 3])
    end()
  })

  it('stays where it is when nothing was saved', async () => {
    const { doubts, end } = walk(false)
    expect(await doubts.settle('tide')).toBeNull()
    expect([doubts.current.value?.text, doubts.done.value]).toEqual(['tied', 0])
    end()
  })
})
