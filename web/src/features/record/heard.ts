import type { HeardCorrection, Word } from '@/api/client'

/** A run of words between two rests. */
export interface HeardPart {
  startMs: number
  sentences: Word[][]
}

const restMs = 1500
const longest = 70
/** What is corrected at a time: speech without stops is cut here. */
const longestSentence = 30

export const textOf = (words: readonly Word[]) => words.map((w) => w.text).join(' ')
export const partText = (part: HeardPart) => part.sentences.map(textOf).join(' ')
const middle = (w: Word) => (w.startMs + w.endMs) / 2

/** Words in parts that can be read: a new one after a rest, or where one is long and a sentence ends. */
export function parts(words: readonly Word[]): HeardPart[] {
  const found: HeardPart[] = []
  let count = 0
  words.forEach((w, i) => {
    const before = words[i - 1]
    const ends = before && /[.?!]$/.test(before.text)
    const isNew = !before || w.startMs - before.endMs > restMs || (count > longest && ends)
    count = isNew ? 1 : count + 1
    const part = found.at(-1)
    const sentence = part?.sentences.at(-1)
    if (isNew || !part || !sentence) found.push({ startMs: w.startMs, sentences: [[w]] })
    else if (ends || sentence.length >= longestSentence) part.sentences.push([w])
    else sentence.push(w)
  })
  return found
}

/** The words with what a person wrote in place of some; each correction stands as one. */
export function corrected(words: readonly Word[], corrections: readonly HeardCorrection[]): Word[] {
  let all = [...words]
  for (const c of corrections) {
    const first = all.findIndex((w) => middle(w) >= c.startMs)
    const at = first < 0 ? all.length : first
    const after = all.findIndex((w, i) => i >= at && middle(w) > c.endMs)
    const own = c.text ? [{ text: c.text, startMs: c.startMs, endMs: c.endMs, confidence: 1, opensCaption: false }] : []
    all = [...all.slice(0, at), ...own, ...all.slice(after < 0 ? all.length : after)]
  }
  return all
}

/** What has to be put where, so that a sentence reads as a person rewrote it; null where nothing changed. */
export function correction(sentence: readonly Word[], rewritten: string): HeardCorrection | null {
  const now = rewritten.split(/\s+/).filter(Boolean)
  // A correction stands as one word of the sentence: compared are its single words.
  const before = sentence.flatMap((w) => w.text.split(' ').map((text) => ({ text, of: w })))
  if (now.join(' ') === before.map((b) => b.text).join(' ')) return null
  let first = 0
  while (first < now.length && first < before.length && now[first] === before[first]!.text) first++
  let tail = 0
  while (
    tail < Math.min(now.length, before.length) - first &&
    now[now.length - 1 - tail] === before[before.length - 1 - tail]!.text
  )
    tail++
  // Where words only come in, the one beside them is written anew: it says where.
  if (first === before.length - tail) first = Math.max(0, first - 1)
  if (first === before.length - tail) tail = Math.max(0, tail - 1)
  // Of what was corrected before, all is written anew.
  while (first > 0 && before[first - 1]!.of === before[first]!.of) first--
  while (tail > 0 && before[before.length - tail]!.of === before[before.length - tail - 1]!.of) tail--
  const gone = before.slice(first, before.length - tail)
  return {
    startMs: gone[0]!.of.startMs,
    endMs: gone.at(-1)!.of.endMs,
    text: now.slice(first, now.length - tail).join(' '),
  }
}
