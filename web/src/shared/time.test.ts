import { describe, expect, it } from 'vitest'
import { clock, count, day, duration, exactDuration, indexAt } from './time'

describe('times as people read them', () => {
  it.each([
    [0, '0:00'],
    [61_900, '1:01'],
    [3_725_000, '1:02:05'],
  ])('%i ms is %s', (ms, text) => expect(clock(ms)).toBe(text))

  it.each([
    [45_000, '45 s'],
    [840_000, '14 min'],
    [3_600_000, '1 h'],
    [3_900_000, '1 h 5 min'],
  ])('%i ms lasts %s', (ms, text) => expect(duration(ms)).toBe(text))

  it('gives a chapter its exact length', () => expect(exactDuration(64_000)).toBe('1 min 4 s'))
  it('names the year only when it is another one', () => {
    const today = new Date('2026-11-25T12:00:00')
    expect(day('2026-10-12', today)).not.toContain('2026')
    expect(day('2025-10-12', today)).toContain('2025')
    expect(day(null, today)).toBe('')
  })
  it('counts one and many', () => expect([count(1, 'card'), count(3, 'card')]).toEqual(['1 card', '3 cards']))
})

describe('finding a place in time', () => {
  const starts = [0, 100, 250]
  it.each([
    [-1, -1],
    [0, 0],
    [99, 0],
    [100, 1],
    [9999, 2],
  ])('%i is at %i', (ms, index) => expect(indexAt(starts, ms)).toBe(index))
  it('is before the first of nothing', () => expect(indexAt([], 5)).toBe(-1))
})
