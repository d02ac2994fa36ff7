import { describe, expect, it } from 'vitest'
import { columnsOf, ticks } from './ticks'

describe('the axis of the stave', () => {
  it.each([
    [461_000, 950],
    [14_400_000, 950],
    [20_000, 300],
  ])('leaves room between labels for %i ms on %i px', (durationMs, width) => {
    const times = ticks(durationMs, width)
    expect(times[0]).toBe(0)
    expect(times.at(-1)).toBeLessThanOrEqual(durationMs)
    if (times.length > 1) expect(((times[1] ?? 0) / durationMs) * width).toBeGreaterThanOrEqual(90)
  })
})

describe('the drawing of the sound', () => {
  it('shows silence as nothing and speech by its mean', () => {
    const peaks = Uint8Array.from([0, 0, 0, 0, 100, 120, 100, 120])
    expect([...columnsOf(peaks, 2, 24)]).toEqual([0, 110])
  })
  it('fills every column when there are more columns than slices', () =>
    expect([...columnsOf(Uint8Array.from([80, 90]), 4, 24)]).toEqual([80, 80, 90, 90]))
  it('is empty without sound', () => expect([...columnsOf(new Uint8Array(), 3, 24)]).toEqual([0, 0, 0]))
})
