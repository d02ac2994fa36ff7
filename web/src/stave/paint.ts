import type { Chapter, Mark, Transcript } from '@/api/client'
import { isOpen, markKinds } from '@/page/marks'
import { clock, indexAt } from '@/shared/time'
import { voiceStep, type Lane } from './lanes'
import type { SoundPart } from './useSound'
import { columnsOf, ticks } from './ticks'
import { lengthOf, type View } from './view'

export interface Stretch {
  startMs: number
  endMs: number
  /** From 0 to 1; 1 where nothing is said. */
  strength?: number
}

/** Everything that the stave shows. */
export interface Scene {
  view: View
  durationMs: number
  lanes: readonly Lane[]
  chapters: readonly Chapter[]
  chapterAt: number
  sound: SoundPart | null
  soundIsComing: boolean
  loudest: number
  heard: readonly Stretch[]
  turns: readonly (Stretch & { row: number })[]
  marks: readonly Mark[]
  places: readonly Stretch[]
  /** What is to be listened to; empty for everything. */
  plan: readonly Stretch[]
  selected: Stretch | null
  loop: Stretch | null
  movedEdge: { index: number; ms: number } | null
  words: Transcript | null
}

export type Colours = (name: string) => string

/** Bars stand this far apart; words are drawn when one has so much room. */
const barPx = 2
const roomForWords = 46
const quietBelow = 24
const fonts = {
  chapter: '12.5px "Atkinson Hyperlegible Next", sans-serif',
  small: '12px "Atkinson Hyperlegible Next", sans-serif',
  word: '12.5px "Literata Variable", serif',
}

/** Draws the stave, as wide as wanted. */
export function paint(c: CanvasRenderingContext2D, width: number, s: Scene, colour: Colours) {
  const x = (ms: number) => ((ms - s.view.fromMs) / lengthOf(s.view)) * width
  const lane = (key: Lane['key']) => s.lanes.find((l) => l.key === key)
  const axis = lane('axis')
  const foot = axis?.top ?? 0
  c.textBaseline = 'middle'
  shade(c, s, x, foot, colour)
  const sound = lane('sound')
  if (sound) drawSound(c, width, s, sound, x, colour)
  const chapters = lane('chapters')
  if (chapters) drawChapters(c, width, s, chapters, x, colour)
  const voices = lane('voices')
  if (voices) drawVoices(c, width, s, voices, x, colour)
  const marks = lane('marks')
  if (marks) drawMarks(c, width, s, marks, x, colour)
  const places = lane('places')
  if (places) drawPlaces(c, width, s, places, x, colour)
  drawEdges(c, s, x, foot, colour)
  if (axis) drawAxis(c, width, s, axis, x, colour)
  drawBounds(c, s.loop ?? s.selected, x, foot, colour('primary'))
}

type X = (ms: number) => number

function rule(c: CanvasRenderingContext2D, top: number, width: number, colour: string) {
  c.fillStyle = colour
  c.fillRect(0, Math.round(top), width, 1)
}

/** Ground under what is selected, and under the parts of a plan. */
function shade(c: CanvasRenderingContext2D, s: Scene, x: X, foot: number, colour: Colours) {
  c.fillStyle = colour('seawash')
  for (const p of s.plan) c.fillRect(x(p.startMs), 0, x(p.endMs) - x(p.startMs), foot)
  if (s.selected) c.fillRect(x(s.selected.startMs), 0, x(s.selected.endMs) - x(s.selected.startMs), foot)
}

function drawBounds(c: CanvasRenderingContext2D, span: Stretch | null, x: X, foot: number, colour: string) {
  if (!span) return
  c.fillStyle = colour
  for (const ms of [span.startMs, span.endMs]) c.fillRect(Math.round(x(ms)) - 1, 0, 2, foot)
}

function drawChapters(c: CanvasRenderingContext2D, width: number, s: Scene, lane: Lane, x: X, colour: Colours) {
  const first = Math.max(
    0,
    indexAt(
      s.chapters.map((ch) => ch.startMs),
      s.view.fromMs,
    ),
  )
  c.fillStyle = colour('hair')
  c.fillRect(0, lane.top + lane.height - 3, width, 1)
  for (let i = first; i < s.chapters.length; i++) {
    const chapter = s.chapters[i]
    if (!chapter || chapter.startMs > s.view.toMs) break
    const from = Math.max(0, x(chapter.startMs)) + 7
    const room = Math.min(width, x(chapter.endMs)) - from - 6
    if (lane.height < 20 || room < 18) continue
    const isHere = i === s.chapterAt
    c.font = `${isHere ? 600 : 400} ${fonts.chapter}`
    c.fillStyle = colour(isHere ? 'on-background' : 'soft')
    c.fillText(fitted(c, chapter.title, room), from, lane.top + lane.height / 2 - 2)
  }
  c.fillStyle = colour('on-background')
  for (const h of s.heard) {
    if (h.endMs < s.view.fromMs || h.startMs > s.view.toMs) continue
    c.fillRect(x(h.startMs), lane.top + lane.height - 4, Math.max(1, x(h.endMs) - x(h.startMs)), 3)
  }
}

/** Text that does not go beyond its room. */
export function fitted(c: Pick<CanvasRenderingContext2D, 'measureText'>, text: string, room: number): string {
  if (c.measureText(text).width <= room) return text
  let [low, high] = [0, text.length]
  while (low < high) {
    const mid = (low + high + 1) >> 1
    if (c.measureText(`${text.slice(0, mid)}…`).width <= room) low = mid
    else high = mid - 1
  }
  return low > 0 ? `${text.slice(0, low).trimEnd()}…` : ''
}

function drawSound(c: CanvasRenderingContext2D, width: number, s: Scene, lane: Lane, x: X, colour: Colours) {
  const wordMs = 350
  const showsWords = s.words !== null && (wordMs / lengthOf(s.view)) * width > roomForWords
  const height = lane.height - (showsWords ? 22 : 4)
  const middle = lane.top + 2 + height / 2
  if (!s.sound?.loudness.length) {
    c.font = `400 ${fonts.small}`
    c.fillStyle = colour('soft')
    if (s.soundIsComing) c.fillText('The sound is being drawn …', 8, middle - 9)
    rule(c, middle, width, colour('hair'))
  } else {
    const { fromMs, sliceMs, loudness } = s.sound
    const first = Math.max(0, Math.floor((s.view.fromMs - fromMs) / sliceMs))
    const last = Math.min(loudness.length, Math.ceil((s.view.toMs - fromMs) / sliceMs))
    const columns = columnsOf(loudness.subarray(first, last), Math.max(1, Math.floor(width / barPx)), quietBelow)
    // One colour after the other: changing it is what costs.
    const bars: Record<'hair' | 'faint' | 'on-background', [x: number, tall: number][]> = {
      hair: [],
      faint: [],
      'on-background': [],
    }
    let at = 0
    columns.forEach((loud, i) => {
      const ms = s.view.fromMs + ((i + 0.5) / columns.length) * lengthOf(s.view)
      while (at < s.heard.length && (s.heard[at]?.endMs ?? 0) < ms) at++
      const isHeard = (s.heard[at]?.startMs ?? Infinity) <= ms
      const tall = loud === 0 ? 1 : 3 + Math.min(1, (loud / s.loudest) ** 1.7) * (height - 3)
      bars[loud === 0 ? 'hair' : isHeard ? 'on-background' : 'faint'].push([i * barPx, tall])
    })
    for (const name of ['hair', 'faint', 'on-background'] as const) {
      const wide = name === 'hair' ? barPx : barPx - 0.6
      c.fillStyle = colour(name)
      for (const [left, tall] of bars[name]) c.fillRect(left, middle - tall / 2, wide, tall)
    }
  }
  if (showsWords && s.words) drawWords(c, s.words, s.view, lane.top + lane.height - 9, x, colour)
}

function drawWords(c: CanvasRenderingContext2D, text: Transcript, view: View, y: number, x: X, colour: Colours) {
  c.font = `400 ${fonts.word}`
  c.fillStyle = colour('on-background')
  const first = Math.max(
    0,
    indexAt(
      text.passages.map((p) => p.startMs),
      view.fromMs,
    ),
  )
  for (const p of text.passages.slice(first)) {
    if (p.startMs > view.toMs) return
    const words = p.text.split(' ')
    p.startsMs.forEach((start, i) => {
      if (start > view.toMs || (p.endsMs[i] ?? start) < view.fromMs) return
      c.fillText(words[i] ?? '', x(start), y)
    })
  }
}

function drawVoices(c: CanvasRenderingContext2D, width: number, s: Scene, lane: Lane, x: X, colour: Colours) {
  rule(c, lane.top, width, colour('hair'))
  c.fillStyle = colour('soft')
  for (const t of s.turns) {
    if (t.endMs < s.view.fromMs || t.startMs > s.view.toMs) continue
    c.fillRect(x(t.startMs), lane.top + 5 + t.row * voiceStep, Math.max(1.5, x(t.endMs) - x(t.startMs)), 4)
  }
}

function drawMarks(c: CanvasRenderingContext2D, width: number, s: Scene, lane: Lane, x: X, colour: Colours) {
  rule(c, lane.top, width, colour('hair'))
  c.textAlign = 'center'
  for (const m of s.marks) {
    if (m.endMs < s.view.fromMs || m.startMs > s.view.toMs) continue
    const open = isOpen(m)
    if (!open) {
      c.fillStyle = colour('buff')
      c.fillRect(x(m.startMs), lane.top + 4, x(m.endMs) - x(m.startMs), lane.height - 8)
    }
    c.font = `${open ? 700 : 400} ${fonts.small}`
    c.fillStyle = colour(open ? 'error' : 'secondary')
    c.fillText(markKinds[m.kind].sign, Math.max(6, x(m.startMs)), lane.top + lane.height / 2 + 0.5)
  }
  c.textAlign = 'left'
}

function drawPlaces(c: CanvasRenderingContext2D, width: number, s: Scene, lane: Lane, x: X, colour: Colours) {
  rule(c, lane.top, width, colour('hair'))
  c.fillStyle = colour('secondary')
  for (const p of s.places) {
    if (p.endMs < s.view.fromMs || p.startMs > s.view.toMs) continue
    const strength = p.strength ?? 0.6
    const tall = 3 + strength * (lane.height - 8)
    c.globalAlpha = 0.35 + 0.65 * strength
    c.fillRect(x(p.startMs), lane.top + lane.height - 2 - tall, Math.max(4, x(p.endMs) - x(p.startMs)), tall)
  }
  c.globalAlpha = 1
}

function drawEdges(c: CanvasRenderingContext2D, s: Scene, x: X, foot: number, colour: Colours) {
  s.chapters.forEach((chapter, i) => {
    if (i === 0) return
    const isMoved = s.movedEdge?.index === i
    const ms = isMoved ? (s.movedEdge?.ms ?? 0) : chapter.startMs
    if (ms < s.view.fromMs || ms > s.view.toMs) return
    c.fillStyle = colour(isMoved ? 'primary' : 'hair')
    c.fillRect(Math.round(x(ms)) - (isMoved ? 1 : 0), 0, isMoved ? 2 : 1, foot)
  })
}

function drawAxis(c: CanvasRenderingContext2D, width: number, s: Scene, lane: Lane, x: X, colour: Colours) {
  rule(c, lane.top, width, colour('on-background'))
  c.font = `400 ${fonts.small}`
  c.fillStyle = colour('soft')
  for (const t of ticks(lengthOf(s.view), width, 90, s.view.fromMs)) {
    const at = x(t)
    c.textAlign = at < 18 ? 'left' : at > width - 18 ? 'right' : 'center'
    c.fillText(clock(t), Math.min(width - 1, Math.max(1, at)), lane.top + lane.height / 2 + 1)
  }
  c.textAlign = 'left'
  if (lengthOf(s.view) >= s.durationMs) return
  // Which part of the whole is shown.
  const share = (ms: number) => (ms / s.durationMs) * width
  c.fillStyle = colour('primary')
  c.fillRect(share(s.view.fromMs), lane.top - 1, Math.max(3, share(lengthOf(s.view))), 3)
}
