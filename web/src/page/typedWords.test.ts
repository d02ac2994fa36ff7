import { afterEach, expect, test, vi } from 'vitest'
import { forgetTyped, keepTyped, sendTyped, typedBefore } from './typedWords'

afterEach(() => sessionStorage.clear())

test('words of a lecture are there after a reload until they are stored', () => {
  keepTyped('a', { passageId: 'p1', expected: 'The tied.', text: 'The tide.' })
  keepTyped('b', { passageId: 'p1', expected: 'x', text: 'y' })
  expect(typedBefore('a')).toEqual([{ passageId: 'p1', expected: 'The tied.', text: 'The tide.' }])
  forgetTyped('a', 'p1')
  expect(typedBefore('a')).toEqual([])
  expect(typedBefore('b')).toHaveLength(1)
})

test('they are sent so that the browser finishes after the page has gone', () => {
  const sent = vi.spyOn(globalThis, 'fetch').mockResolvedValue(new Response())
  sendTyped('a', { passageId: 'p1', expected: 'The tied.', text: 'The tide.' })
  const [address, init] = sent.mock.calls[0] ?? []
  expect(address).toBe('/api/lectures/a/edits')
  expect(init?.keepalive).toBe(true)
  expect(JSON.parse(String(init?.body))).toEqual({
    edit: { kind: 'rewrite', passageId: 'p1', expected: 'The tied.', text: 'The tide.' },
  })
  sent.mockRestore()
})
