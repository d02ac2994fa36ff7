import { describe, expect, it } from 'vitest'
import { savedMs, silenceAt } from './silences'

const silences = [
  { startMs: 1000, endMs: 3000 },
  { startMs: 9000, endMs: 9500 },
]

describe('silences', () => {
  it('are found by a moment inside them', () => expect(silenceAt(silences, 1500)).toEqual(silences[0]))
  it('are not passed over at their very end, nor outside', () => {
    expect(silenceAt(silences, 2950)).toBeNull()
    expect(silenceAt(silences, 500)).toBeNull()
    expect(silenceAt(silences, 5000)).toBeNull()
    expect(silenceAt([], 5000)).toBeNull()
  })
  it('save what they last', () => expect(savedMs(silences)).toBe(2500))
})
