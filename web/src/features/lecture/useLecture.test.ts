import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { nextTick, ref } from 'vue'
import { api, type Lecture } from '@/api/client'
import { inComponent } from '@/testing/inComponent'
import { said, written } from '@/testing/transcripts'
import { useLecture } from './useLecture'

interface Call {
  address: string
  id: string
  answer: (body: unknown, status?: number) => void
}
let calls: Call[] = []
beforeEach(() => {
  calls = []
  vi.spyOn(api, 'GET').mockImplementation(
    ((address: string, options: { params: { path: { id: string } } }) =>
      new Promise((done) =>
        calls.push({
          address,
          id: options.params.path.id,
          answer: (body, status = 200) =>
            done({ [status < 400 ? 'data' : 'error']: body, response: new Response(null, { status }) }),
        }),
      )) as never,
  )
  vi.spyOn(api, 'POST').mockResolvedValue({ response: new Response() } as never)
  vi.stubGlobal('fetch', () => Promise.resolve(new Response(new Uint8Array([1, 2]))))
})
afterEach(() => {
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})
const settle = () => new Promise((done) => setTimeout(done))

const lecture = (id: string) => ({ id, title: id, durationMs: 60_000 }) as Lecture
const text = (words: string) => written([said('p1', words)])
/** Answers everything that was asked of a lecture. */
function answer(id: string) {
  for (const c of calls.filter((c) => c.id === id))
    c.answer(c.address.endsWith('transcript') ? text(`of ${id}`) : lecture(id))
}

test('a lecture is shown with its text and named in the window', async () => {
  const [l, end] = inComponent(() => useLecture(ref('seas'), ref(0)))
  answer('seas')
  await settle()
  expect([l.lecture.value?.title, l.transcript.value?.passages[0]?.text]).toEqual(['seas', 'of seas'])
  expect(document.title).toBe('seas · Kostel')
  end()
})

test('what comes late of the lecture before is not shown in the one that is open', async () => {
  const id = ref('seas')
  const [l, end] = inComponent(() => useLecture(id, ref(0)))
  id.value = 'soil'
  await nextTick()
  answer('soil')
  answer('seas')
  await settle()
  expect([l.lecture.value?.id, l.transcript.value?.passages[0]?.text]).toEqual(['soil', 'of soil'])
  expect(document.title).toBe('soil · Kostel')
  end()
})

test('a lecture that is gone is told apart from a server that does not answer, by its code', async () => {
  const [l, end] = inComponent(() => useLecture(ref('seas'), ref(0)))
  for (const c of calls) c.answer({ detail: 'In whatever words.', code: 'not-there' }, 404)
  await settle()
  expect([l.isGone.value, l.problem.value]).toEqual([true, 'In whatever words.'])
  end()
})
