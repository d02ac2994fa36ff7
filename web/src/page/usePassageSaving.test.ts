import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { inComponent } from '@/testing/inComponent'
import { usePassageSaving } from './usePassageSaving'
import { typedBefore } from './typedWords'

beforeEach(() => vi.useFakeTimers())
afterEach(() => {
  vi.useRealTimers()
  sessionStorage.clear()
})

/** A passage that reads "the tied", whose server answers as it is told to. */
function passage() {
  const p = { stored: 'the tied', typed: 'the tied' }
  const answers: ((isDone: boolean) => void)[] = []
  const save = vi.fn<(expected: string, text: string) => Promise<boolean>>(
    () => new Promise<boolean>((done) => answers.push(done)),
  )
  const done = vi.fn()
  const [saving, end] = inComponent(() =>
    usePassageSaving({
      id: () => 'p1',
      text: () => p.stored,
      typed: () => p.typed,
      save,
      done,
      typing: () => undefined,
    }),
  )
  saving.shown()
  saving.begin()
  const type = (text: string) => {
    p.typed = text
    saving.input()
  }
  return { p, saving, save, done, type, end, answer: (n: number, isDone: boolean) => answers[n]?.(isDone) }
}
const kept = () => typedBefore('').map((w) => w.text)

test('what is typed is kept at once and stored a moment after the last key', async () => {
  const t = passage()
  t.type('the tid')
  await vi.advanceTimersByTimeAsync(500)
  t.type('the tide')
  await vi.advanceTimersByTimeAsync(500)
  expect([t.save.mock.calls.length, kept()]).toEqual([0, ['the tide']])
  await vi.advanceTimersByTimeAsync(500)
  expect(t.save.mock.calls).toEqual([['the tied', 'the tide']])
  t.answer(0, true)
  await vi.advanceTimersByTimeAsync(0)
  expect([t.done.mock.calls.length, kept()]).toEqual([1, []])
})

test('what is typed while an answer is awaited is stored over what was sent', async () => {
  const t = passage()
  t.type('the tide')
  void t.saving.flush(false)
  t.type('the tide rises')
  t.answer(0, true)
  await vi.advanceTimersByTimeAsync(0)
  expect(t.save.mock.calls.at(-1)).toEqual(['the tide', 'the tide rises'])
})

test('a passage that is emptied is stored only when it is left', async () => {
  const t = passage()
  t.type('')
  await vi.advanceTimersByTimeAsync(2000)
  expect(t.save).not.toHaveBeenCalled()
  void t.saving.flush(true)
  expect(t.save).toHaveBeenCalledWith('the tied', '')
})

test('what was refused is not sent again, and stays', async () => {
  const t = passage()
  t.type('the tide')
  void t.saving.flush(false)
  t.answer(0, false)
  await vi.advanceTimersByTimeAsync(0)
  await t.saving.flush(false)
  expect([t.save.mock.calls.length, t.saving.isRefused('the tide'), kept()]).toEqual([1, true, ['the tide']])
})

test('the rest is stored when the passage goes', () => {
  const t = passage()
  t.type('the tide')
  t.end()
  expect(t.save).toHaveBeenCalledWith('the tied', 'the tide')
})

test('a paragraph that is taken away while it has the focus is not stored as empty', async () => {
  const t = passage()
  t.type('the tide')
  t.end()
  // The browser takes the focus from what is removed; by then nothing stands in it.
  t.p.typed = ''
  await t.saving.flush(true)
  expect(t.save.mock.calls).toEqual([['the tied', 'the tide']])
})
