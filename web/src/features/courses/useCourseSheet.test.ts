import { afterEach, expect, test, vi } from 'vitest'
import { useNotice } from '@/shared/notice'
import { inComponent } from '@/testing/inComponent'
import { useCourseSheet } from './useCourseSheet'

afterEach(() => vi.restoreAllMocks())
const made = () => inComponent(() => ({ ...useCourseSheet(() => 'Knots & bends'), notice: useNotice() }))
const answers = (text: string) => vi.spyOn(globalThis, 'fetch').mockResolvedValue(new Response(text))

test('it says lecture by lecture how far it is, and gives the sheet', async () => {
  const sent = answers('{"read":0,"lectures":2}\n{"read":1,"lectures":2}\n{"read":2,"lectures":2,"sheet":{"id":7}}\n')
  const [sheet, end] = made()
  expect(await sheet.make(null)).toEqual({ id: 7 })
  expect(sent.mock.calls[0]?.[0]).toBe('/api/courses/Knots%20%26%20bends/sheets')
  expect([sheet.read.value, sheet.of.value, sheet.isMaking.value]).toEqual([2, 2, false])
  end()
})

test.each([
  ['{"read":2,"lectures":2,"problem":"There is nothing for such a sheet."}\n', 'There is nothing for such a sheet.'],
  ['{"read":1,"lectures":2}\n', 'The sheet was not finished. Try again.'],
])('what comes to nothing is said: %s', async (stream, problem) => {
  answers(stream)
  const [sheet, end] = made()
  expect(await sheet.make(null)).toBeNull()
  expect([sheet.notice.current?.text, sheet.isMaking.value]).toEqual([problem, false])
  end()
})

test('a refusal is said in the words of the server', async () => {
  const refusal = new Response('{"detail":"A course sheet is made of at least two lectures."}', { status: 422 })
  vi.spyOn(globalThis, 'fetch').mockResolvedValue(refusal)
  const [sheet, end] = made()
  expect(await sheet.make(null)).toBeNull()
  expect(sheet.notice.current?.text).toBe('A course sheet is made of at least two lectures.')
  end()
})

test('stopped, nothing is said', async () => {
  vi.spyOn(globalThis, 'fetch').mockImplementation((_, init) => {
    const { signal } = init as { signal: AbortSignal }
    return new Promise((_, fail) => signal.addEventListener('abort', () => fail(new Error('aborted'))))
  })
  const [sheet, end] = made()
  const making = sheet.make(null)
  sheet.stop()
  expect(await making).toBeNull()
  expect(sheet.notice.current).toBeNull()
  end()
})
