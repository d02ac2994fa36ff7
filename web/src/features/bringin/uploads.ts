import { defineStore } from 'pinia'
import { reactive } from 'vue'
import { Upload } from 'tus-js-client'
import type { Accuracy } from '@/api/client'
import type { Spoken } from '@/shared/SpokenChoice.vue'
import { isText } from './sizes'

export interface UploadItem {
  key: number
  name: string
  bytes: number
  sent: number
  state: 'sending' | 'paused' | 'failed' | 'done'
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
  course: string
  accuracy: Accuracy
  spoken: Spoken
}

const pieceBytes = 8 * 1024 * 1024

/** Files on their way in. They go on while you are elsewhere, and a broken one resumes. */
export const useUploads = defineStore('uploads', () => {
  const items = reactive<UploadItem[]>([])
  const running = new Map<number, Upload>()
  const listeners = new Set<() => void>()
  let next = 1

  function send(file: File, about: About): UploadItem {
    const item = reactive<UploadItem>({
      key: next++,
      name: about.title || file.name,
      bytes: file.size,
      sent: 0,
      state: 'sending',
      problem: '',
      lectureId: null,
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
        course: about.course,
        accuracy: about.accuracy,
        language: about.spoken.language ?? '',
        byService: about.spoken.byService ? 'yes' : '',
        voices: String(about.spoken.voices ?? ''),
      },
      onUploadUrlAvailable: () => (item.uploadId = upload.url?.split('/').at(-1) ?? null),
      onProgress: (sent) => (item.sent = sent),
      // 423: another window is sending it, or this one's own broken connection has not been noticed yet.
      onShouldRetry: (error) => [0, 409, 423].includes(error.originalResponse?.getStatus() ?? 0),
      onError: (error) => {
        item.state = 'failed'
        item.problem = plain(error)
      },
      onSuccess: () => {
        item.state = 'done'
        item.sent = item.bytes
        item.lectureId = upload.url?.split('/').at(-1) ?? null
        for (const listener of listeners) listener()
      },
    })
    running.set(item.key, upload)
    void upload.findPreviousUploads().then((earlier) => {
      const last = earlier.at(-1)
      if (last) upload.resumeFromPreviousUpload(last)
      upload.start()
    })
    return item
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
  }

  function onFinished(listener: () => void) {
    listeners.add(listener)
    return () => listeners.delete(listener)
  }

  return { items, send, resume, drop, forget, onFinished }
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
