import { describe, expect, it } from 'vitest'
import { isQuestion } from './question'

describe('what is typed', () => {
  it.each(['Why is the tide late?', 'how deep is the harbour', 'Is lime an acid?', 'the tide is late?'])(
    'asks: %s',
    (text) => expect(isQuestion(text)).toBe(true),
  )
  it.each(['', 'spring tides', 'what', 'why not', '“how deep is it”', 'island of whales today'])('names: %s', (text) =>
    expect(isQuestion(text)).toBe(false),
  )
})
