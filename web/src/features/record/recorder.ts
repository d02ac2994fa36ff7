import { useEventListener } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import {
  api,
  must,
  type HeardCorrection,
  type MarkKind,
  type Recording,
  type RecordingText,
  type Word,
} from '@/api/client'
import { corrected } from './heard'
import { judge, judged, type Verdict } from '@/shared/level'
import { duration } from '@/shared/time'
import { openMicrophone, sampleRate, whyNot, type Level, type Microphone } from '@/shared/microphone'
import { pieceSender } from './pieceSender'
import { pieceStore } from './pieceStore'
import { standstillWatch } from './standstill'

/** Where sound comes from: a device by its id, or a tab or screen that the person chooses. */
interface Source {
  device: string | null
  ofScreen: boolean
}
export type RecorderState = 'idle' | 'ready' | 'running' | 'paused' | 'ending'

/** What is said about the recording that is to begin. */
export interface Beginning {
  title: string
  course: string | null
  keepsSound: boolean
  agreed: boolean
  heldOn: string
}

/** The one recording of this window. It goes on while one reads elsewhere in Kostel. */
export const useRecorder = defineStore('recorder', () => {
  const state = ref<RecorderState>('idle')
  const recording = shallowRef<Recording | null>(null)
  /** Recordings that were not ended: of this window before a reload, or of another one. */
  const interrupted = shallowRef<Recording[]>([])
  /** As they were heard; what the person put right stands beside them. */
  const heard = shallowRef<Word[]>([])
  const corrections = shallowRef<HeardCorrection[]>([])
  const words = computed(() => corrected(heard.value, corrections.value))
  const tentative = shallowRef<Word[]>([])
  const marks = shallowRef<Recording['marks']>([])
  const level = ref<Level>({ peak: 0, rms: 0 })
  const ofLevel = ref<Verdict>('good')
  const echoes = ref(false)
  const verdict = computed<Verdict>(() => (ofLevel.value === 'good' && echoes.value ? 'echoing' : ofLevel.value))
  /** What is wrong with the device, and with handing the sound over: one does not hide the other. */
  const ofDevice = ref('')
  const ofServer = ref('')
  const problem = computed(() => ofDevice.value || ofServer.value)
  const unsent = ref(0)
  const samples = ref(0)
  const atMs = computed(() => Math.floor(samples.value / (sampleRate / 1000)))
  const isOn = computed(() => state.value === 'running' || state.value === 'paused')
  let microphone: Microphone | null = null
  let sender: ReturnType<typeof pieceSender> | null = null
  let lock: WakeLockSentinel | null = null
  const levels: Level[] = []

  const look = async () => {
    const { data } = await api.GET('/api/recordings').catch(() => ({ data: undefined }))
    interrupted.value = data?.filter((r) => r.id !== recording.value?.id) ?? []
  }

  let source: Source = { device: null, ofScreen: false }

  /** Opens a device, to hear how loud it is; in the place of one that is open. */
  async function open(now: Source) {
    source = now
    ofDevice.value = ''
    microphone?.close()
    microphone = null
    levels.length = 0
    try {
      microphone = await openMicrophone(source, { piece: take, level: hear, ended: pulledOut })
      if (state.value === 'idle') state.value = 'ready'
      return true
    } catch (e) {
      ofDevice.value = whyNot(e)
      return false
    }
  }

  /** Opens the one again that was gone; where that does not come back, what the browser gives instead. */
  const openAgain = async () =>
    (await open(source)) || (source.device !== null && (await open({ ...source, device: null })))

  function hear(now: Level) {
    level.value = now
    levels.push(now)
    if (levels.length > judged) levels.shift()
    if (levels.length >= judged / 5) ofLevel.value = judge(levels)
  }

  const standstill = standstillWatch((ms, at) => {
    const so = `Nothing was heard for ${duration(ms)}`
    ofDevice.value = `${so}: the computer slept, or the browser stopped this window. What was recorded is kept, and it goes on.`
    void mark('note', `${so} here.`, at).catch(() => undefined)
  })

  function take(piece: ArrayBuffer) {
    samples.value += piece.byteLength / 2
    standstill.piece((piece.byteLength / 2 / sampleRate) * 1000, atMs.value)
    void sender?.add(piece)
    unsent.value = sender?.waiting() ?? 0
  }

  function pulledOut() {
    microphone = null
    standstill.run(false)
    if (state.value === 'running') state.value = 'paused'
    ofDevice.value = 'The microphone is gone. What was recorded is kept. Plug it in again, and go on.'
  }

  function answered(text: RecordingText) {
    ofServer.value = text.problem ?? ''
    echoes.value = text.echoes
    if (text.words.length) heard.value = [...heard.value, ...text.words]
    tentative.value = text.tentative
    unsent.value = sender?.waiting() ?? 0
  }

  /** Takes a recording into this window, with what was understood of it. */
  async function hold(now: Recording) {
    recording.value = now
    marks.value = now.marks
    heard.value = []
    corrections.value = now.corrections
    samples.value = (now.atMs * sampleRate) / 1000
    sender = pieceSender(now.id, now.turn, now.nextPiece, () => heard.value.length, pieceStore, {
      answered,
      waits: (why) => ((ofServer.value = why), (unsent.value = sender?.waiting() ?? 0)),
      refused: (why) => {
        ofServer.value = why
        void leave()
      },
    })
    await fetchText()
    const left = await pieceStore.all(now.id).catch(() => [])
    samples.value += left.filter((p) => p.number >= now.nextPiece).reduce((n, p) => n + p.samples.byteLength / 2, 0)
    await sender.resume().catch(() => undefined)
  }

  async function fetchText() {
    if (!recording.value) return
    const params = { path: { id: recording.value.id }, query: { since: heard.value.length } }
    const { data } = await api.GET('/api/recordings/{id}/text', { params }).catch(() => ({ data: undefined }))
    if (data) answered(data)
  }

  async function begin(about: Beginning) {
    await hold(await must(api.POST('/api/recordings', { body: about })))
    await goOn()
  }

  /** Goes on with one that was interrupted; it stands still until the person says so. */
  async function takeUp(id: string) {
    await hold(await must(api.POST('/api/recordings/{id}/turn', { params: { path: { id } } })))
    interrupted.value = interrupted.value.filter((r) => r.id !== id)
    state.value = 'paused'
  }

  let opening: Promise<boolean> | null = null

  async function goOn() {
    // Pressed twice, the device is still opened once.
    if (!microphone) await (opening ??= openAgain().finally(() => (opening = null)))
    if (!microphone || state.value === 'running') return
    ofDevice.value = ''
    microphone.run(true)
    standstill.run(true)
    state.value = 'running'
    keepAwake()
  }

  /** The browser lets the screen sleep again whenever the window was out of sight. */
  function keepAwake() {
    if (state.value !== 'running' || document.visibilityState !== 'visible') return
    void navigator.wakeLock?.request('screen').then(
      (l) => (lock = l),
      () => undefined,
    )
  }
  useEventListener(document, 'visibilitychange', keepAwake)

  function pause() {
    microphone?.run(false)
    standstill.run(false)
    state.value = 'paused'
    void lock?.release()
    // What was said last stands once nothing follows for a moment.
    for (const wait of [1500, 3000, 5000]) setTimeout(() => state.value === 'paused' && void fetchText(), wait)
  }

  async function mark(kind: MarkKind, text = '', at = atMs.value) {
    if (!recording.value) return
    const body = { kind, atMs: at, text }
    const now = await must(
      api.POST('/api/recordings/{id}/marks', { params: { path: { id: recording.value.id } }, body }),
    )
    marks.value = now.marks
  }

  /** Puts a picture at this moment. */
  async function addPicture(file: Blob) {
    if (!recording.value) return
    const url = `/api/recordings/${recording.value.id}/pictures?atMs=${atMs.value}`
    const answer = await fetch(url, { method: 'POST', body: file })
    if (!answer.ok) {
      const { detail } = (await answer.json().catch(() => ({}))) as { detail?: string }
      throw new Error(detail ?? 'The picture could not be kept.')
    }
    marks.value = ((await answer.json()) as Recording).marks
  }

  /** Puts right what was heard; what is recognised later does not write over it. */
  async function correct(body: HeardCorrection) {
    if (!recording.value) return
    const call = api.POST('/api/recordings/{id}/corrections', { params: { path: { id: recording.value.id } }, body })
    corrections.value = (await must(call)).corrections
  }

  /** Ends it, once all pieces have arrived; gives the lecture that it became. */
  async function finish() {
    const id = recording.value?.id
    if (!id) return null
    const before = state.value
    microphone?.run(false)
    standstill.run(false)
    state.value = 'ending'
    await new Promise((done) => setTimeout(done, 300))
    await sender?.settled()
    try {
      const { lectureId } = await must(api.POST('/api/recordings/{id}/end', { params: { path: { id } } }))
      await pieceStore.forget(id).catch(() => undefined)
      await leave()
      return lectureId
    } catch (e) {
      state.value = before === 'running' ? 'paused' : before
      throw e
    }
  }

  /** Throws one away with all that was kept of it. */
  async function drop(id: string) {
    await must(api.DELETE('/api/recordings/{id}', { params: { path: { id } } }))
    await pieceStore.forget(id).catch(() => undefined)
    if (recording.value?.id === id) await leave()
    await look()
  }

  async function leave() {
    sender?.stop()
    sender = null
    microphone?.close()
    microphone = null
    void lock?.release()
    recording.value = null
    tentative.value = []
    state.value = 'idle'
    await look()
  }

  /** The device is let go of where nothing was begun. */
  function close() {
    if (state.value !== 'ready' || recording.value) return
    microphone?.close()
    microphone = null
    state.value = 'idle'
  }

  return {
    ...{ state, recording, interrupted, words, tentative, marks, level, verdict, problem, unsent, atMs, isOn },
    ...{ look, open, begin, takeUp, goOn, pause, mark, addPicture, correct, finish, drop, close },
  }
})
