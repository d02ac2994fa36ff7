import { describe, expect, it } from 'vitest'
import { sentenceAround } from './sentenceAround'

const quote = 'The bay is 3.5 m deep. It fills twice a day! Who knows why? Nobody'
const around = (words: string) => {
  const from = quote.indexOf(words)
  const { from: a, to: b } = sentenceAround(quote, { from, to: from + words.length })
  return quote.slice(a, b)
}

describe('the sentence around a part of a quote', () => {
  it('is the one in which the part stands', () => {
    expect(around('twice')).toBe('It fills twice a day!')
    expect(around('why')).toBe('Who knows why?')
  })
  it('does not end inside a number', () => {
    expect(around('3.5 m')).toBe('The bay is 3.5 m deep.')
  })
  it('is the part itself where that is a whole sentence', () => {
    expect(around('It fills twice a day!')).toBe('It fills twice a day!')
  })
  it('ends with the quote where no stop follows', () => {
    expect(around('Nobody')).toBe('Nobody')
  })
})
