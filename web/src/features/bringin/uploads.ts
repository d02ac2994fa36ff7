import { defineStore } from 'pinia'
import { reactive } from 'vue'
import { Upload } from 'tus-js-client'
import { api, must, says, type Accuracy, type Schemas } from '@/api/client'
import type { Spoken } from '@/shared/SpokenChoice.vue'
import { isText } from './sizes'

export interface UploadItem {
  key: number
  name: string
  bytes: number
  sent: number
  state: 'waiting' | 'sending' | 'failed' | 'done' | 'same'
  /** The lecture that has the same recording already. */
  same: Schemas['SameRecording'] | null
  problem: string
  lectureId: string | null
  /** The server's name for it, once it has one. */
  uploadId: string | null
  /** A text needs no writing down. */
  isText: boolean
}

export interface About {
  title: string
  heldOn: string
  /** Only the date of the file: what the file says of itself counts more. */
  heldOnIsGuessed: boolean
  course: string
  accuracy: Accuracy
  spoken: Spoken
}

const pieceBytes = 8 * 1024 * 1024
/** Files come in the order in which they were chosen; more at once would only share the way. */
const sideBySide = 2

/** Files on their way in. They go on while you are elsewhere, and a broken one resumes. */
export const useUploads = defineStore('uploads', () => {
  const items = reactive<UploadItem[]>([])
  const running = new Map<number, Upload>()
  const listeners = new Set<() => void>()
  let nextKey = 1

  function send(file: File, about: About): UploadItem {
    const item = reactive<UploadItem>({
      key: nextKey++,
      name: about.title || file.name,
      bytes: file.size,
      sent: 0,
      state: 'waiting',
      problem: '',
      lectureId: null,
      same: null,
      uploadId: null,
      isText: isText(file.name),
    })
    items.push(item)
    const upload = new Upload(file, {
      endpoint: '/api/uploads',
      chunkSize: pieceBytes,
      retryDelays: [0, 1000, 3000, 5000, 10000],
      removeFingerprintOnSuccess: true,
      metadata: {
        filename: file.name,
        title: about.title,
        heldOn: about.heldOn,
        heldOnIsGuessed: about.heldOnIsGuessed ? 'yes' : '',
        course: about.course,
        accuracy: about.accuracy,
        language: about.spoken.language ?? '',
        byService: about.spoken.byService ? 'yes' : '',
        voices: String(about.spoken.voices ?? ''),
        model: about.spoken.model ?? '',
      },
      onUploadUrlAvailable: () => (item.uploadId = upload.url?.split('/').at(-1) ?? null),
      onProgress: (sent) => (item.sent = sent),
      // 423: another window is sending it, or this one's own broken connection has not been noticed yet.
      onShouldRetry: (error) => [0, 409, 423].includes(error.originalResponse?.getStatus() ?? 0),
      onError: (error) => {
        item.state = 'failed'
        item.problem = plain(error)
        next()
      },
      onSuccess: () => {
        item.sent = item.bytes
        void arrived(item, upload.url?.split('/').at(-1) ?? null)
      },
    })
    running.set(item.key, upload)
    next()
    return item
  }

  /** Begins with those whose turn it is. */
  function next() {
    const free = sideBySide - items.filter((i) => i.state === 'sending').length
    for (const item of items.filter((i) => i.state === 'waiting').slice(0, Math.max(0, free))) {
      const upload = running.get(item.key)
      item.state = 'sending'
      void upload?.findPreviousUploads().then((earlier) => {
        const last = earlier.at(-1)
        if (last) upload.resumeFromPreviousUpload(last)
        upload.start()
      })
    }
  }

  /** All of it is there: it is a lecture now, or the library has the same recording already and asks what to do. */
  async function arrived(item: UploadItem, id: string | null) {
    const { data } = await api.GET('/api/uploads').catch(() => ({ data: undefined }))
    item.same = data?.find((u) => u.id === id)?.same ?? null
    item.state = item.same ? 'same' : 'done'
    item.lectureId = item.same ? null : id
    next()
    for (const listener of listeners) listener()
  }

  /** Takes in once more what is there already. */
  async function onceMore(item: UploadItem) {
    if (!item.uploadId) return
    try {
      await must(api.POST('/api/uploads/{id}/once-more', { params: { path: { id: item.uploadId } } }))
      item.same = null
      item.state = 'done'
      item.lectureId = item.uploadId
      for (const listener of listeners) listener()
    } catch (e) {
      item.problem = says(e)
    }
  }

  /** Leaves what is there already as it is, and clears away what was sent. */
  async function leave(item: UploadItem) {
    if (item.uploadId) await api.DELETE('/api/uploads/{id}/unfinished', { params: { path: { id: item.uploadId } } })
    forget(item)
    for (const listener of listeners) listener()
  }

  function resume(item: UploadItem) {
    item.state = 'sending'
    item.problem = ''
    running.get(item.key)?.start()
  }

  async function drop(item: UploadItem) {
    await running
      .get(item.key)
      ?.abort(item.state !== 'done')
      .catch(() => undefined)
    forget(item)
  }

  function forget(item: UploadItem) {
    running.delete(item.key)
    const at = items.findIndex((i) => i.key === item.key)
    if (at >= 0) items.splice(at, 1)
    next()
  }

  function onFinished(listener: () => void) {
    listeners.add(listener)
    return () => listeners.delete(listener)
  }

  return { items, send, resume, drop, forget, onceMore, leave, onFinished }
})

function plain(error: Error & { originalResponse?: { getBody(): string; getStatus(): number } | null }): string {
  const body = error.originalResponse?.getBody()
  try {
    const { detail } = JSON.parse(body ?? '') as { detail?: string }
    if (detail) return detail
  } catch {
    // No problem details: the server could not be reached or was stopped.
  }
  return 'The connection broke. What arrived is kept, and sending goes on from there.'
}
