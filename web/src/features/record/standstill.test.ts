import { expect, test, vi } from 'vitest'
import { standstillWatch } from './standstill'

const piece = 250

/** Sound at the pace of the clock, from one moment to another. */
function sound(watch: ReturnType<typeof standstillWatch>, from: number, to: number, atMs = from) {
  for (let now = from + piece, at = atMs + piece; now <= to; now += piece, at += piece) watch.piece(piece, at, now)
}

test('an hour of sleep is told once sound has come again, with its place in the sound', () => {
  const told = vi.fn()
  const watch = standstillWatch(told)
  watch.run(true, 0)
  sound(watch, 0, 60_000)
  const awake = 60_000 + 3_600_000
  watch.piece(piece, 60_250, awake)
  sound(watch, awake, awake + 2000, 60_250)
  expect(told).not.toHaveBeenCalled()
  sound(watch, awake + 2000, awake + 10_000, 62_250)
  expect(told).toHaveBeenCalledTimes(1)
  const [ms, atMs] = told.mock.calls[0] as [number, number]
  expect(Math.abs(ms - 3_600_000)).toBeLessThan(1000)
  expect(atMs).toBe(60_000)
})

test('sound that only arrives late is no hole', () => {
  const told = vi.fn()
  const watch = standstillWatch(told)
  watch.run(true, 0)
  sound(watch, 0, 10_000)
  // Half a minute comes all at once, then it goes on.
  for (let i = 1; i <= 120; i++) watch.piece(piece, 10_000 + i * piece, 40_000)
  sound(watch, 40_000, 60_000)
  expect(told).not.toHaveBeenCalled()
})

test('a pause is no hole, however long it is', () => {
  const told = vi.fn()
  const watch = standstillWatch(told)
  watch.run(true, 0)
  sound(watch, 0, 10_000)
  watch.run(false, 10_000)
  watch.run(true, 900_000)
  sound(watch, 900_000, 910_000, 10_000)
  expect(told).not.toHaveBeenCalled()
})
