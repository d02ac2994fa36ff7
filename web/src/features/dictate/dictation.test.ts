import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { api } from '@/api/client'
import * as sound from '@/shared/microphone'
import { inComponent } from '@/testing/inComponent'
import { useDictation } from './dictation'
import { fieldOf } from './fieldText'

type Listeners = Parameters<typeof sound.openMicrophone>[1]
let listeners: Listeners
const runs: boolean[] = []

beforeEach(() => {
  runs.length = 0
  localStorage.clear()
  vi.spyOn(sound, 'openMicrophone').mockImplementation((_, on) => {
    listeners = on
    return Promise.resolve({ run: (is: boolean) => void runs.push(is), close: () => undefined } as sound.Microphone)
  })
  vi.spyOn(api, 'POST').mockImplementation(((path: string) =>
    Promise.resolve({
      data: path.endsWith('/end') ? { text: 'All of it.', open: '', words: 3 } : { id: 'd1', commands: [] },
      response: new Response(),
    })) as never)
})
afterEach(() => vi.restoreAllMocks())

/** What the server makes of each piece, one after the other; what it was asked is kept. */
function hears(...heard: object[]) {
  return vi.spyOn(globalThis, 'fetch').mockImplementation(() => {
    const next = heard.shift() ?? {}
    return Promise.resolve(new Response(JSON.stringify({ problem: null, text: '', open: '', words: 0, ...next })))
  })
}
function field(value = '') {
  const made = document.createElement('textarea')
  made.value = value
  document.body.append(made)
  made.setSelectionRange(value.length, value.length)
  return made
}
const piece = () => listeners.piece(new ArrayBuffer(8))
const settled = () => new Promise((done) => setTimeout(done, 5))

test('what is said stands at the caret as it comes, and whole at the end', async () => {
  const asked = hears({ open: 'The tide', words: 2 }, { open: 'The tide rises', words: 3 })
  const [dictation, end] = inComponent(useDictation)
  const into = field('Note:')
  await dictation.start(fieldOf(into)!, null)
  piece()
  piece()
  await settled()
  expect(into.value).toBe('Note: The tide rises')
  expect(asked.mock.calls.map((c) => c[0])).toEqual([
    '/api/dictations/d1/pieces/0?punctuates=true&from=0',
    '/api/dictations/d1/pieces/1?punctuates=true&from=0',
  ])
  await dictation.stop()
  expect([into.value, dictation.state, runs]).toEqual(['Note: All of it.', 'off', [true, false]])
  end()
})

test('what the person types stays, and text is made of what is said after it', async () => {
  const asked = hears({ open: 'The tide', words: 2 }, { open: 'falls', words: 3 })
  const [dictation, end] = inComponent(useDictation)
  const into = field()
  await dictation.start(fieldOf(into)!, null)
  piece()
  await settled()
  into.value = 'A tide'
  into.setSelectionRange(6, 6)
  dictation.typed()
  piece()
  await settled()
  expect(into.value).toBe('A tide falls')
  expect(asked.mock.calls[1]?.[0]).toBe('/api/dictations/d1/pieces/1?punctuates=true&from=2')
  end()
})

test('an answer to what was said before the person typed comes too late to be written', async () => {
  const [dictation, end] = inComponent(useDictation)
  let answer: (a: Response) => void = () => undefined
  vi.spyOn(globalThis, 'fetch').mockImplementation(() => new Promise((done) => (answer = done)))
  const into = field()
  await dictation.start(fieldOf(into)!, null)
  piece()
  await settled()
  answer(new Response('{"open":"The tide","words":2,"text":"","problem":null}'))
  await settled()
  piece()
  await settled()
  into.value = 'Mine.'
  dictation.typed()
  answer(new Response('{"open":"The tide rises","words":3,"text":"","problem":null}'))
  await settled()
  expect(into.value).toBe('Mine.')
  end()
})

test.each([
  [new Response('{"detail":"This was dictated too long ago."}', { status: 404 }), 'This was dictated too long ago.'],
  [null, 'Kostel does not answer. What stands in the field stays.'],
])('where the server does not take it, dictation ends and what stands stays', async (answer, problem) => {
  vi.spyOn(globalThis, 'fetch').mockImplementation(() =>
    answer ? Promise.resolve(answer) : Promise.reject(new TypeError('offline')),
  )
  vi.spyOn(api, 'POST').mockImplementation(((path: string) =>
    path.endsWith('/end')
      ? Promise.reject(new TypeError('offline'))
      : Promise.resolve({ data: { id: 'd1', commands: [] }, response: new Response() })) as never)
  const [dictation, end] = inComponent(useDictation)
  const into = field('Mine.')
  await dictation.start(fieldOf(into)!, null)
  piece()
  await vi.waitFor(() => expect(dictation.state).toBe('off'))
  expect([into.value, dictation.problem]).toEqual(['Mine.', problem])
  end()
})

test('a microphone that is refused or pulled out is said, and nothing is left on', async () => {
  hears()
  const [dictation, end] = inComponent(useDictation)
  await dictation.start(fieldOf(field())!, null)
  listeners.ended()
  await vi.waitFor(() => expect(dictation.state).toBe('off'))
  expect(dictation.problem).toMatch(/^The microphone is gone/)
  vi.mocked(sound.openMicrophone).mockRejectedValue(new DOMException('', 'NotAllowedError'))
  await dictation.start(fieldOf(field())!, null)
  expect([dictation.state, dictation.problem]).toEqual(['off', sound.whyNot(new DOMException('', 'NotAllowedError'))])
  end()
})
