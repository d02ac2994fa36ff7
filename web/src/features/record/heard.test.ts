import { expect, test } from 'vitest'
import { corrected, correction, partText, parts, textOf } from './heard'

const word = (text: string, startMs: number) => ({
  text,
  startMs,
  endMs: startMs + 300,
  confidence: 1,
  opensCaption: false,
})

test('words that follow each other stand together, and a rest begins a new part', () => {
  const said = [word('Fog', 0), word('rises.', 400), word('Slowly.', 4000)]
  expect(parts(said).map((p) => [p.startMs, partText(p)])).toEqual([
    [0, 'Fog rises.'],
    [4000, 'Slowly.'],
  ])
  expect(parts([])).toEqual([])
})

test('without a rest a part ends where it is long and a sentence does', () => {
  const said = Array.from({ length: 200 }, (_, i) => word(i % 10 === 9 ? 'end.' : 'on', i * 400))
  expect(parts(said).length).toBe(3)
  expect(parts(said).every((p) => partText(p).endsWith('end.'))).toBe(true)
})

const sprig = [word('The', 0), word('sprig', 400), word('ties', 800), word('rise.', 1200)]

test('a rewritten sentence becomes the smallest correction, and reads as it was written', () => {
  const found = correction(sprig, 'The spring tides rise.')!
  expect(found).toEqual({ startMs: 400, endMs: 1100, text: 'spring tides' })
  expect(textOf(corrected(sprig, [found]))).toBe('The spring tides rise.')
  expect(correction(sprig, ' The  sprig ties rise. ')).toBeNull()
})

test.each([
  ['words come in', 'The sprig ties slowly rise.'],
  ['words come first', 'So the sprig ties rise.'],
  ['words come last', 'The sprig ties rise. Always.'],
  ['words go', 'The rise.'],
  ['all goes', ''],
])('where %s it reads as written', (_, text) => {
  expect(textOf(corrected(sprig, [correction(sprig, text)!]))).toBe(text)
})

test('what was corrected once is corrected again as a whole', () => {
  const once = corrected(sprig, [correction(sprig, 'The spring tied rise.')!])
  const again = correction(once, 'The spring tides rise.')!
  expect(again).toEqual({ startMs: 400, endMs: 1100, text: 'spring tides' })
})
