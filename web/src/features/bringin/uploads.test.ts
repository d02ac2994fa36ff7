import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, test, vi } from 'vitest'
import { api } from '@/api/client'
import { useUploads, type About } from './uploads'

interface Options {
  metadata: Record<string, string>
  onUploadUrlAvailable: () => void
  onProgress: (sent: number) => void
  onShouldRetry: (error: unknown) => boolean
  onError: (error: unknown) => void
  onSuccess: () => void
}
interface Sent {
  url: string | null
  options: Options
  starts: number
  aborted: boolean | undefined
  resumed: unknown
}
const sent: Sent[] = vi.hoisted(() => [])
vi.mock('tus-js-client', () => ({
  Upload: class implements Sent {
    url: string | null = null
    starts = 0
    aborted: boolean | undefined
    resumed: unknown
    constructor(
      readonly file: File,
      readonly options: Options,
    ) {
      sent.push(this)
    }
    findPreviousUploads = () => Promise.resolve(this.file.name === 'broken.mp3' ? ['first', 'last'] : [])
    resumeFromPreviousUpload = (u: unknown) => (this.resumed = u)
    start = () => this.starts++
    abort = (terminate: boolean) => Promise.resolve(void (this.aborted = terminate))
  },
}))

const about: About = {
  title: 'Tides',
  heldOn: '2026-03-04',
  heldOnIsGuessed: true,
  course: 'Seas',
  accuracy: 'accurate',
  spoken: { language: null, byService: false, voices: 2, model: null },
}
const failure = (status: number, body: string) =>
  Object.assign(new Error('tus'), { originalResponse: { getStatus: () => status, getBody: () => body } })

beforeEach(() => {
  setActivePinia(createPinia())
  sent.length = 0
})
const settle = () => new Promise((done) => setTimeout(done))
async function sending(name = 'tides.mp3') {
  const uploads = useUploads()
  const item = uploads.send(new File(['12345678'], name), about)
  await settle()
  const upload = sent[0]
  if (!upload) throw new Error('nothing was sent')
  return { uploads, item, upload }
}

test('a file goes with what was said of it, and becomes a lecture', async () => {
  const { uploads, item, upload } = await sending()
  expect(upload.options.metadata).toMatchObject({
    filename: 'tides.mp3',
    title: 'Tides',
    course: 'Seas',
    voices: '2',
    heldOnIsGuessed: 'yes',
  })
  vi.spyOn(api, 'GET').mockResolvedValue({ data: [] } as never)
  const finished = vi.fn()
  uploads.onFinished(finished)
  upload.options.onProgress(4)
  expect([item.state, item.sent]).toEqual(['sending', 4])
  upload.url = 'http://localhost/api/uploads/abc'
  upload.options.onSuccess()
  await settle()
  expect([item.state, item.sent, item.lectureId]).toEqual(['done', 8, 'abc'])
  expect(finished).toHaveBeenCalledOnce()
})

test('a recording that is there already is no lecture until somebody says so', async () => {
  const { uploads, item, upload } = await sending()
  const same = { lectureId: 'seas', title: 'Seas', isBinned: false }
  vi.spyOn(api, 'GET').mockResolvedValue({ data: [{ id: 'abc', same }] } as never)
  const posted = vi
    .spyOn(api, 'POST')
    .mockResolvedValue({ data: undefined, response: new Response(null, { status: 204 }) } as never)
  upload.url = 'http://localhost/api/uploads/abc'
  upload.options.onUploadUrlAvailable()
  upload.options.onSuccess()
  await settle()
  expect([item.state, item.lectureId, item.same]).toEqual(['same', null, same])
  await uploads.onceMore(item)
  expect(posted).toHaveBeenCalledOnce()
  expect([item.state, item.lectureId, item.same]).toEqual(['done', 'abc', null])
})

test('a file that was sent in part goes on where it was', async () => {
  expect((await sending('broken.mp3')).upload.resumed).toBe('last')
})

test('what went wrong is said in the server’s words, or in our own where it said nothing; sending can go on', async () => {
  const { uploads, item, upload } = await sending()
  upload.options.onError(failure(415, '{"detail":"This is no recording."}'))
  expect([item.state, item.problem]).toEqual(['failed', 'This is no recording.'])
  uploads.resume(item)
  expect([item.state, item.problem, upload.starts]).toEqual(['sending', '', 2])
  upload.options.onError(new Error('offline'))
  expect(item.problem).toContain('The connection broke')
})

test('only what may pass is tried again by itself', async () => {
  const { upload } = await sending()
  const retries = (status: number) => upload.options.onShouldRetry(failure(status, ''))
  expect([409, 423, 415, 507].map(retries)).toEqual([true, true, false, false])
  expect(upload.options.onShouldRetry(new Error('offline'))).toBe(true)
})

test('a file that is dropped is forgotten by the server too, a lecture that is there is not', async () => {
  const { uploads, item, upload } = await sending()
  await uploads.drop(item)
  expect([upload.aborted, uploads.items.length]).toEqual([true, 0])
})
