import { expect, test } from 'vitest'
import { parts } from './heard'

const word = (text: string, startMs: number) => ({
  text,
  startMs,
  endMs: startMs + 300,
  confidence: 1,
  opensCaption: false,
})

test('words that follow each other stand together, and a rest begins a new part', () => {
  const said = [word('Fog', 0), word('rises.', 400), word('Slowly.', 4000)]
  expect(parts(said)).toEqual([
    { startMs: 0, text: 'Fog rises.' },
    { startMs: 4000, text: 'Slowly.' },
  ])
  expect(parts([])).toEqual([])
})

test('without a rest a part ends where it is long and a sentence does', () => {
  const said = Array.from({ length: 200 }, (_, i) => word(i % 10 === 9 ? 'end.' : 'on', i * 400))
  expect(parts(said).length).toBe(3)
  expect(parts(said).every((p) => p.text.endsWith('end.'))).toBe(true)
})
