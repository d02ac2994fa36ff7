import { afterEach, expect, test, vi } from 'vitest'
import { api } from '@/api/client'
import { inComponent } from '@/testing/inComponent'
import { useWriting } from '@/features/ask/useWriting'

afterEach(() => vi.restoreAllMocks())
const wish = { instructions: null, allowsOutside: false }
const shows = (mustShow: boolean) =>
  vi.spyOn(api, 'POST').mockResolvedValue({
    data: { text: 'all of it', wordCount: 3, host: 'localhost', isHere: true, mustShow },
    response: new Response(),
  } as never)

/** An answer that comes in these pieces, which may break anywhere: inside a line, and inside a letter. */
function streams(...pieces: Uint8Array[]) {
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      pieces.forEach((p) => controller.enqueue(p))
      controller.close()
    },
  })
  return vi.spyOn(globalThis, 'fetch').mockResolvedValue(new Response(body))
}
const bytes = (text: string) => new TextEncoder().encode(text)

test('nothing is sent before it was shown where that is wanted', async () => {
  shows(true)
  const sent = streams()
  const [writing, end] = inComponent(() => useWriting(() => 7))
  expect(await writing.begin(wish)).toBeNull()
  expect([writing.preview.value?.text, sent.mock.calls.length]).toEqual(['all of it', 0])
  end()
})

test('what comes in pieces is put together, wherever they break', async () => {
  shows(false)
  const line = bytes('{"text":"Größe"}\n{"written":{"model":"m","sentences":[]}}\n')
  const inLetter = line.indexOf(0xc3) + 1
  streams(line.slice(0, inLetter), line.slice(inLetter, 30), line.slice(30))
  const [writing, end] = inComponent(() => useWriting(() => 7))
  expect(await writing.begin(wish)).toMatchObject({ model: 'm' })
  expect([writing.isWriting.value, writing.problem.value]).toEqual([false, ''])
  end()
})

test('a problem is said and nothing comes of it', async () => {
  shows(false)
  streams(bytes('{"text":"The ti"}\n{"problem":"localhost broke off in the middle."}\n'))
  const [writing, end] = inComponent(() => useWriting(() => 7))
  expect(await writing.begin(wish)).toBeNull()
  expect(writing.problem.value).toBe('localhost broke off in the middle.')
  end()
})

test('a refusal of the server is said in its own words', async () => {
  shows(false)
  vi.spyOn(globalThis, 'fetch').mockResolvedValue(
    new Response(JSON.stringify({ detail: 'No model of your own is switched on.' }), { status: 400 }),
  )
  const [writing, end] = inComponent(() => useWriting(() => 7))
  expect(await writing.begin(wish)).toBeNull()
  expect(writing.problem.value).toBe('No model of your own is switched on.')
  end()
})
