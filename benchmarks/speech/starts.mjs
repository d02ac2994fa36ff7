// How far the starts of words are off, against the synthesiser's own record of when it made each sound.
import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import { table } from '../common.mjs'
import { aligned, bare, hear } from './heard.mjs'
import { sound, textOf, voices } from './sounds.mjs'

/** The sounds of what is given (-t TEXT, or -f FILE, which is said sentence by sentence) and where each starts and ends (s), pauses included as "pau". The record begins anew with each sentence. */
function sounds(voice, ...given) {
  let sentence = 0
  let last = 0
  return execFileSync('flite', ['-voice', voice, '--setf', 'duration_stretch=1.1', '-psdur', ...given, '-o', '/dev/null'], { encoding: 'utf8' })
    .trim().split(/\s+/).map((p) => p.split(':')).map(([text, end]) => {
      if (Number(end) < last) sentence += last
      const start = Number(end) < last ? sentence : sentence + last
      last = Number(end)
      return { text, start, end: sentence + last }
    })
}

/** Each word's start and end (ms). The record has no borders between words: they come from aligning it with each word's sounds said alone. */
export function starts(voice, name) {
  const text = textOf(name)
  const whole = sounds(voice, '-f', join(import.meta.dirname, 'texts', `${name}.txt`)).filter((s) => s.text !== 'pau')
  const alone = new Map()
  const words = bare(text.split(/\s+/))
  const expected = words.flatMap((w, word) => {
    if (!alone.has(w.text)) alone.set(w.text, sounds(voice, '-t', w.text).filter((s) => s.text !== 'pau').map((s) => s.text))
    const own = alone.get(w.text)
    return own.map((text, i) => ({ text, word, isFirst: i === 0, isLast: i === own.length - 1 }))
  })
  for (const [wanted, made] of aligned(expected, whole)) {
    if (wanted?.isFirst && made) words[wanted.word].start = made.start * 1000
    if (wanted?.isLast && made) words[wanted.word].end = made.end * 1000
  }
  return words
}

export function wordStarts() {
  const cases = ['bread', 'bridges', 'bees'].map((name, i) => ({ name, voice: voices[i], file: sound(name, voices[i]) }))
  const heard = hear(['plain', 'fast', 'accurate'], cases.map((c) => c.file))
  const made = new Map(cases.map(({ name, voice }) => [name, starts(voice, name)]))
  const rows = ['plain', 'fast', 'accurate'].map((way) => {
    const off = cases.flatMap(({ name, file }) => {
      const written = heard.find((h) => h.file === file && h.way === way).words
      return aligned(made.get(name), bare(written.map((w) => w.text)))
        .filter(([s, w]) => s && w && s.text === w.text && s.start !== undefined)
        .map(([s, w]) => Math.abs(written[w.at].start - s.start))
    }).sort((a, b) => a - b)
    const at = (q) => `${Math.round(off[Math.floor(q * (off.length - 1))])} ms`
    return [way, off.length, at(0.5), at(0.9), at(0.95), `${((100 * off.filter((o) => o <= 300).length) / off.length).toFixed(1)} %`]
  })
  table(['way', 'words', 'median', '90 %', '95 %', 'within 300 ms'], rows)
}
