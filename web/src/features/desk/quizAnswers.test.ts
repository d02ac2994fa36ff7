import { describe, expect, it } from 'vitest'
import { isOpen, matched, moved, open, ordered, toggled } from './quizAnswers'

const question = (shown: string[], sides: string[] = []) => ({ kind: 'match', stem: 'Which?', shown, sides })

describe('answers to a quiz', () => {
  it('are open until something was chosen or written', () => {
    expect(isOpen(open())).toBe(true)
    expect(isOpen({ chosen: [], text: '  ' })).toBe(true)
    expect(isOpen({ chosen: [-1, -1], text: null })).toBe(true)
    expect(isOpen({ chosen: [0], text: null })).toBe(false)
    expect(isOpen({ chosen: [], text: 'twelve' })).toBe(false)
  })

  it('stand in the order of the question until something was moved', () => {
    const q = question(['a', 'b', 'c'])
    expect(ordered(q, open())).toEqual([0, 1, 2])
    expect(moved(ordered(q, open()), 2, -1)).toEqual([0, 2, 1])
    expect(ordered(q, { chosen: [2, 0, 1], text: null })).toEqual([2, 0, 1])
  })

  it('do not move beyond the ends', () => {
    expect(moved([0, 1], 0, -1)).toEqual([0, 1])
    expect(moved([0, 1], 1, 1)).toEqual([0, 1])
  })

  it('hold several choices in the order of the question', () => {
    expect(toggled([2], 0)).toEqual([0, 2])
    expect(toggled([0, 2], 2)).toEqual([0])
  })

  it('give a partner to one thing only', () => {
    const q = question(['a', 'b'], ['x', 'y'])
    expect(matched(q, [], 0, 1)).toEqual([1, -1])
    expect(matched(q, [1, -1], 1, 1)).toEqual([-1, 1])
    expect(matched(q, [1, 0], 0, -1)).toEqual([-1, 0])
  })
})
