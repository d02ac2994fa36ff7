import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { api } from '@/api/client'
import * as sound from '@/shared/microphone'
import { pieceStore } from './pieceStore'
import { useRecorder } from './recorder'

type Wanted = Parameters<typeof sound.openMicrophone>[0]
type Listeners = Parameters<typeof sound.openMicrophone>[1]
let listeners: Listeners
let opened: Wanted[]
let asked: { path: string; body: unknown }[]
const piece = () => new Int16Array(sound.sampleRate / 4).buffer
const about = { title: 'Fog', course: null, keepsSound: true, agreed: true, heldOn: '2026-11-30' }
const recording = {
  id: 'r1',
  turn: 't1',
  nextPiece: 0,
  atMs: 0,
  marks: [],
  corrections: [],
  title: 'Fog',
  course: null,
  keepsSound: true,
}
const request = vi.fn(() => Promise.resolve({ release: () => Promise.resolve() }))

beforeEach(() => {
  setActivePinia(createPinia())
  vi.useFakeTimers({ now: 0 })
  ;[opened, asked] = [[], []]
  vi.spyOn(sound, 'openMicrophone').mockImplementation((wanted, on) => {
    opened.push(wanted)
    listeners = on
    return Promise.resolve({ name: '', run: () => undefined, close: () => undefined })
  })
  vi.spyOn(api, 'GET').mockResolvedValue({ data: undefined } as never)
  vi.spyOn(api, 'POST').mockImplementation(((path: string, { body }: { body: unknown }) => {
    asked.push({ path, body })
    return Promise.resolve({ data: recording, response: new Response() })
  }) as never)
  vi.spyOn(globalThis, 'fetch').mockImplementation((address) => {
    const nextPiece = Number(/pieces\/(\d+)/.exec(String(address))![1]) + 1
    return Promise.resolve(
      new Response(JSON.stringify({ nextPiece, atMs: 0, words: [], tentative: [], problem: null, echoes: false })),
    )
  })
  for (const act of ['keep', 'drop', 'forget'] as const) vi.spyOn(pieceStore, act).mockResolvedValue(undefined as never)
  vi.spyOn(pieceStore, 'all').mockResolvedValue([])
  vi.stubGlobal('navigator', { wakeLock: { request }, mediaDevices: {} })
})
afterEach(() => {
  useRecorder().$dispose()
  vi.useRealTimers()
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
  request.mockClear()
})

async function running(device: string | null = null) {
  const recorder = useRecorder()
  await recorder.open({ device, ofScreen: false })
  await recorder.begin(about)
  return recorder
}
/** A second of sound, a piece at a time, as the clock goes. */
async function hears(seconds: number) {
  for (let i = 0; i < seconds * 4; i++) {
    await vi.advanceTimersByTimeAsync(250)
    listeners.piece(piece())
  }
}

test('a device that is pulled out pauses, and the same one is opened to go on', async () => {
  const recorder = await running('desk')
  await hears(2)
  listeners.ended()
  expect([recorder.state, recorder.atMs]).toEqual(['paused', 2000])
  expect(recorder.problem).toContain('What was recorded is kept')
  await recorder.goOn()
  expect(opened.map((o) => o.device)).toEqual(['desk', 'desk'])
  expect([recorder.state, recorder.problem]).toEqual(['running', ''])
  await hears(1)
  expect(recorder.atMs).toBe(3000)
})

test('to go on, pressed twice, opens the device once', async () => {
  const recorder = await running('desk')
  listeners.ended()
  await Promise.all([recorder.goOn(), recorder.goOn()])
  expect(opened.map((o) => o.device)).toEqual(['desk', 'desk'])
  expect(recorder.state).toBe('running')
})

test('where the device does not come back, what the browser gives stands in', async () => {
  const recorder = await running('desk')
  listeners.ended()
  vi.mocked(sound.openMicrophone).mockImplementationOnce((wanted) => {
    opened.push(wanted)
    return Promise.reject(new DOMException('', 'OverconstrainedError'))
  })
  await recorder.goOn()
  expect(opened.map((o) => o.device)).toEqual(['desk', 'desk', null])
  expect(recorder.state).toBe('running')
})

test('without any device it stays paused and says what to do', async () => {
  const recorder = await running()
  listeners.ended()
  vi.mocked(sound.openMicrophone).mockRejectedValueOnce(new DOMException('', 'NotFoundError'))
  await recorder.goOn()
  expect(recorder.state).toBe('paused')
  expect(recorder.problem).toContain('Plug one in')
})

test('an hour of sleep is said and noted at its place in the sound, and recording goes on', async () => {
  const recorder = await running()
  await hears(10)
  vi.setSystemTime(Date.now() + 3_600_000)
  await hears(5)
  expect(recorder.state).toBe('running')
  expect(recorder.problem).toContain('Nothing was heard for 1 h')
  const mark = asked.find((a) => a.path.endsWith('/marks'))?.body as { kind: string; atMs: number; text: string }
  expect([mark.kind, mark.atMs]).toEqual(['note', 10_000])
  expect(mark.text).toContain('1 h')
})

test('the screen is kept awake again when the window comes back into sight', async () => {
  const recorder = await running()
  expect(request).toHaveBeenCalledTimes(1)
  document.dispatchEvent(new Event('visibilitychange'))
  expect(request).toHaveBeenCalledTimes(2)
  recorder.pause()
  document.dispatchEvent(new Event('visibilitychange'))
  expect(request).toHaveBeenCalledTimes(2)
})
