import { expect, test } from 'vitest'
import { fieldOf, forgetField, offerField, put } from './fieldText'

test.each([
  ['', 'The tide rises.', '', 'The tide rises.'],
  ['Note:', 'The tide', '', 'Note: The tide'],
  ['The tide', 'Rises', 'slowly', 'The tide rises slowly'],
  ['The tide', ', then falls', '', 'The tide, then falls'],
  ['One.', '\nTwo', '', 'One.\nTwo'],
  ['so', 'I think', '.', 'so I think.'],
  ['see', 'NASA', '', 'see NASA'],
  ['“', 'High water', '”', '“High water”'],
  ['as before', '', ' and after', 'as before and after'],
])('after %j comes %j before %j', (before, text, after, value) =>
  expect(put({ before, after }, text).value).toBe(value),
)

test('the caret stands behind what was put in', () => {
  const { value, caret } = put({ before: 'The tide', after: 'slowly' }, 'rises')
  expect(value.slice(0, caret)).toBe('The tide rises')
})

test('a field hears of it, and what is selected is written over', () => {
  const field = document.createElement('textarea')
  field.value = 'The moon rises'
  field.setSelectionRange(4, 8)
  let heard = 0
  field.addEventListener('input', () => heard++)
  const place = fieldOf(field)!.place()
  fieldOf(field)!.write(place, 'tide')
  fieldOf(field)!.write(place, 'tide')
  expect([field.value, heard, field.selectionStart]).toEqual(['The tide rises', 1, 8])
})

test('only fields for one’s own words are dictated into', () => {
  const input = document.createElement('input')
  expect(fieldOf(input)).toBeNull()
  input.dataset.dictate = ''
  expect(fieldOf(input)?.element).toBe(input)
  expect(fieldOf(input)).toBe(fieldOf(input))
  const locked = document.createElement('textarea')
  locked.readOnly = true
  expect(fieldOf(locked)).toBeNull()
  expect(fieldOf(document.createElement('button'))).toBeNull()
  expect(fieldOf(null)).toBeNull()
})

test('an editor is one as long as it is there', () => {
  const element = document.createElement('div')
  const editor = { element, place: () => ({ before: '', after: '' }), write: () => {} }
  offerField(element, editor)
  expect(fieldOf(element)).toBe(editor)
  forgetField(element)
  expect(fieldOf(element)).toBeNull()
})
