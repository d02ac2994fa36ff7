import { expect, test } from 'vitest'
import { whyOf } from './doubts'

test('why a sentence is set apart is said in words, with those that are not borne out', () => {
  expect(
    whyOf([
      { kind: 'number', words: [] },
      { kind: 'name', words: ['Karvo', 'Holm'] },
    ]),
  ).toBe('a number that is not said there; a name that is not said there: “Karvo”, “Holm”')
  expect(whyOf([])).toBe('')
})
