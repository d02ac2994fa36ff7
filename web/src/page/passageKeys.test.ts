import { expect, test } from 'vitest'
import { placeCaret } from './caret'
import { passageKey } from './passageKeys'
import { layOut } from './text'

/** What a key does in "the tide rises" with the caret at a place. */
function at(place: number, key: string, more: KeyboardEventInit = {}) {
  const p = document.createElement('p')
  p.tabIndex = 0
  p.textContent = 'the tide rises'
  document.body.replaceChildren(p)
  placeCaret(p, place)
  return passageKey(new KeyboardEvent('keydown', { key, ...more }), p, layOut('the tide rises'))
}

test.each([
  [4, 'Enter', {}, { does: 'split', atWord: 1 }],
  [4, 'Enter', { ctrlKey: true }, { does: 'hear', word: 1 }],
  [0, 'Backspace', {}, { does: 'join', way: 'before' }],
  [14, 'Delete', {}, { does: 'join', way: 'after' }],
  [4, 'ArrowUp', { altKey: true }, { does: 'boundary', words: 1 }],
  [4, 'ArrowDown', { altKey: true }, { does: 'boundary', words: -2 }],
  [0, 'ArrowLeft', {}, { does: 'move', way: 'left' }],
  [14, 'ArrowRight', {}, { does: 'move', way: 'right' }],
  [4, 'z', { ctrlKey: true }, { does: 'step', way: 'undo' }],
  [4, 'z', { ctrlKey: true, shiftKey: true }, { does: 'step', way: 'redo' }],
  [4, 'Escape', {}, { does: 'leave' }],
] as const)('the caret at %i, %s', (place, key, more, does) => {
  expect(at(place, key, more)).toEqual(does)
})

test.each([
  [4, 'Backspace', {}],
  [4, 'a', {}],
  [4, 'Enter', { isComposing: true }],
  [0, 'ArrowLeft', { shiftKey: true }],
])('what the browser does: the caret at %i, %s', (place, key, more) => {
  expect(at(place, key, more)).toBeNull()
})
