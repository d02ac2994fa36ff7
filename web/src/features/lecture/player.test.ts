import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { nextTick } from 'vue'
import { inComponent } from '@/testing/inComponent'
import { usePlayer } from './player'

/** Frames come when a test asks for them. */
let frame: FrameRequestCallback | null = null
beforeEach(() => {
  vi.stubGlobal('requestAnimationFrame', (callback: FrameRequestCallback) => {
    frame = callback
    return 1
  })
  vi.stubGlobal('cancelAnimationFrame', () => (frame = null))
})
afterEach(() => {
  vi.unstubAllGlobals()
  localStorage.clear()
  frame = null
})

/** A recording of ten minutes that plays as it is told to. */
function recording(isReady = true) {
  const media = new EventTarget() as HTMLMediaElement & { currentTime: number }
  Object.assign(media, { currentTime: 0, paused: true, readyState: isReady ? 1 : 0, duration: 600, playbackRate: 1 })
  const set = (paused: boolean) => {
    Object.assign(media, { paused })
    media.dispatchEvent(new Event(paused ? 'pause' : 'play'))
  }
  media.play = () => Promise.resolve(set(false))
  media.pause = () => set(true)
  const [player, end] = inComponent(usePlayer)
  player.attach(media)
  const at = (seconds: number) => {
    media.currentTime = seconds
    frame?.(0)
  }
  return { media, player, end, at }
}

test('a stretch that is played ends where it was asked to', () => {
  const r = recording()
  r.player.playFrom(5_000, 8_000)
  expect([r.media.currentTime, r.player.isPlaying.value]).toEqual([5, true])
  r.at(7.9)
  expect(r.player.isPlaying.value).toBe(true)
  r.at(8.01)
  expect(r.player.isPlaying.value).toBe(false)
})

test('a loop begins again at its end until something else is played', () => {
  const r = recording()
  r.player.playLoop(5_000, 8_000)
  r.at(8.01)
  expect([r.media.currentTime, r.player.isPlaying.value]).toEqual([5, true])
  r.player.playFrom(20_000)
  r.at(30)
  expect([r.media.currentTime, r.player.loop.value]).toEqual([30, null])
})

test('silence is passed over while it plays, and only then', () => {
  const r = recording()
  r.player.skipped.value = [{ startMs: 10_000, endMs: 14_000 }] as never
  r.player.seek(11_000)
  expect(r.media.currentTime).toBe(11)
  void r.player.play()
  r.at(11.5)
  expect(r.media.currentTime).toBe(14)
})

test('a place that is asked for before the recording is there is gone to when it comes', () => {
  const r = recording(false)
  r.player.seek(42_000)
  expect([r.media.currentTime, r.player.timeMs.value]).toEqual([0, 42_000])
  r.media.dispatchEvent(new Event('loadedmetadata'))
  expect([r.media.currentTime, r.player.lengthMs.value]).toEqual([42, 600_000])
})

test('the speed is kept, stays within what there is, and holds for the next recording', async () => {
  const r = recording()
  for (let i = 0; i < 20; i++) r.player.changeSpeed(1)
  await nextTick()
  expect([r.player.speed.value, r.media.playbackRate]).toEqual([3, 3])
  r.end()
  expect(recording().media.playbackRate).toBe(3)
})

test('a browser that does not play says Play still, and one that cannot says why', async () => {
  const r = recording()
  r.media.play = () => Promise.reject(new Error('a click first'))
  await r.player.play()
  expect(r.player.isPlaying.value).toBe(false)
  r.media.dispatchEvent(new Event('error'))
  expect(r.player.problem.value).toContain('cannot play')
})

test('a plan is played in its order, from stretch to stretch, and ends with the last', () => {
  const r = recording()
  r.player.only.value = [
    { startMs: 5_000, endMs: 8_000 },
    { startMs: 20_000, endMs: 22_000 },
  ]
  r.player.seek(6_000)
  void r.player.play()
  r.at(8.1)
  expect(r.media.currentTime).toBe(20)
  r.at(22.1)
  expect([r.player.isPlaying.value, r.player.only.value.length]).toEqual([false, 0])
})

test('whoever goes elsewhere has done with the plan', () => {
  const r = recording()
  r.player.only.value = [{ startMs: 5_000, endMs: 8_000 }]
  r.player.seek(100_000)
  expect(r.player.only.value).toEqual([])
})
