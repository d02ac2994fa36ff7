import { describe, expect, it } from 'vitest'
import { layOut, occurrences, parting, plain, shownWordAt, wordsBefore } from './text'

describe('the layout of a passage', () => {
  it('says where every word stands, and keeps a number with its unit', () => {
    const l = layOut('It is 5 m deep.')
    expect(l.text).toBe('It is 5\u00a0m deep.')
    expect(l.from).toEqual([0, 3, 6, 8, 10])
    expect(l.to.map((end, i) => l.text.slice(l.from[i], end))).toEqual(['It', 'is', '5', 'm', 'deep.'])
  })
  it('leaves hidden words out and still knows the others by their index', () => {
    const l = layOut('Um the tide uh rises.', [0, 3])
    expect(l.text).toBe('the tide rises.')
    expect(l.words).toEqual([1, 2, 4])
    expect(l.words[shownWordAt(l, 10)]).toBe(4)
  })
  it('is empty for no words', () => expect(layOut('').words).toEqual([]))
})

describe('two wordings of a passage', () => {
  it('part where the first words differ and come together where the last do not', () =>
    expect(parting('The tide rises twice a day', 'The tied falls twice a day')).toEqual({
      before: 'The',
      one: 'tide rises',
      other: 'tied falls',
      after: 'twice a day',
    }))
  it('may differ by words that only one of them has', () => {
    expect(parting('a b', 'a x b')).toEqual({ before: 'a', one: '', other: 'x', after: 'b' })
    expect(parting('a a', 'a')).toEqual({ before: 'a', one: 'a', other: '', after: '' })
  })
  it('never part when they are the same', () =>
    expect(parting('a b', 'a b')).toEqual({ before: 'a b', one: '', other: '', after: '' }))
})

describe('typed text', () => {
  it('has single spaces', () => expect(plain(' a\u00a0b \n c ')).toBe('a b c'))
  it.each([
    ['The tide rises.', 0, 0],
    ['The tide rises.', 4, 1],
    ['The tide rises.', 3, 1],
    ['The tide rises.', 6, 1],
    ['The tide rises.', 15, 3],
  ])('%s is split at %i before word %i', (text, offset, word) => expect(wordsBefore(text, offset)).toBe(word))
})

describe('finding', () => {
  it('does not mind capitals, accents and unbreakable spaces', () => {
    expect(occurrences('La Marée: marée basse, 5\u00a0m', 'maree')).toEqual([
      [3, 8],
      [10, 15],
    ])
    expect(occurrences('It is 5\u00a0m deep', '5 m')).toEqual([[6, 9]])
  })
  it('finds nothing for nothing', () => expect(occurrences('text', ' ')).toEqual([]))
})
