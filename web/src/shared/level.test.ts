import { expect, test } from 'vitest'
import { judge, judged, reach } from './level'

const levels = (peak: number, rms: number) => Array.from({ length: judged }, () => ({ peak, rms }))
const speech = (loud: number, floor: number) =>
  Array.from({ length: judged }, (_, i) => (i % 3 ? { peak: loud, rms: loud / 4 } : { peak: floor * 2, rms: floor }))

test('what is wrong with the sound is told by its levels', () => {
  expect(judge(levels(0.0005, 0.0002))).toBe('nothing')
  expect(judge(speech(0.02, 0.001))).toBe('quiet')
  expect(judge(speech(1, 0.002))).toBe('clipped')
  expect(judge(speech(0.4, 0.06))).toBe('noisy')
  expect(judge(speech(0.4, 0.002))).toBe('good')
})

test('a meter goes out by decibels and stays within its frame', () => {
  expect([reach(0), reach(1), reach(2)]).toEqual([0, 1, 1])
  expect(reach(0.1)).toBeCloseTo(2 / 3)
})
