import { describe, expect, it } from 'vitest'
import { follow, lengthOf, pan, showing, snap, whole, zoom } from './view'

const hour = 3_600_000

describe('what the stave shows', () => {
  it('keeps the moment under the pointer where it is', () => {
    const closer = zoom(whole(hour), 0.5, 900_000, hour)
    expect(lengthOf(closer)).toBe(hour / 2)
    expect((900_000 - closer.fromMs) / lengthOf(closer)).toBeCloseTo(0.25)
  })
  it('never leaves the lecture, and never shows less than a few words', () => {
    expect(zoom(whole(hour), 100, 5, hour)).toEqual(whole(hour))
    expect(lengthOf(zoom(whole(hour), 1e-9, 5, hour))).toBe(4_000)
    expect(pan({ fromMs: 0, toMs: 60_000 }, -9e9, hour).fromMs).toBe(0)
    expect(pan({ fromMs: 0, toMs: 60_000 }, 9e9, hour).toMs).toBe(hour)
    expect(zoom(whole(1_000), 0.1, 500, 1_000)).toEqual(whole(1_000))
  })
  it('goes on with the playhead when that leaves it', () => {
    const view = { fromMs: 0, toMs: 60_000 }
    expect(follow(view, 59_000, hour)).toBe(view)
    expect(follow(view, 61_000, hour)).toEqual({ fromMs: 55_000, toMs: 115_000 })
  })
  it('can show just a stretch', () => {
    const shown = showing(100_000, 110_000, hour)
    expect([shown.fromMs, shown.toMs]).toEqual([99_000, 111_000])
  })
})

describe('snapping', () => {
  it('takes the nearest moment that is near enough', () => {
    expect(snap(105, [0, 100, 120], 10)).toBe(100)
    expect(snap(112, [0, 100, 120], 10)).toBe(120)
    expect(snap(50, [0, 100], 10)).toBe(50)
    expect(snap(50, [], 10)).toBe(50)
    expect(snap(9, [0, 1_000], Infinity)).toBe(0)
  })
})
