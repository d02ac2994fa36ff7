// Conversations to measure who speaks: sentences of the benchmark's texts, said in turns by synthesised voices, with a record of
// who spoke when (RTTM, the format of NIST's Rich Transcription evaluations). Built once.
import { execFileSync } from 'node:child_process'
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { root } from '../common.mjs'
import { textOf } from './sounds.mjs'

const folder = join(root, '.kostel/bench/conversations')
const rate = 16000
const english = ['bread', 'bridges', 'bees', 'glaciers', 'volcanoes']

/** Random numbers that are the same in every run (mulberry32). */
export const random = (seed) => () => {
  seed = (seed + 0x6d2b79f5) | 0
  let t = Math.imul(seed ^ (seed >>> 15), 1 | seed)
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
  return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32
}

/** A sentence by a voice ("slt", or "en-us+f3" of espeak-ng): 16-bit samples without the silence around it. */
function say(text, voice, work) {
  const wav = join(work, 'said.wav')
  if (/^[a-z]{3}\d*$/.test(voice)) execFileSync('flite', ['-voice', voice, '--setf', 'duration_stretch=1.1', '-t', text, '-o', wav])
  else execFileSync('espeak-ng', ['-v', voice, '-s', '145', '-w', wav, text])
  const raw = execFileSync('ffmpeg', ['-v', 'error', '-i', wav, '-ac', '1', '-ar', String(rate), '-f', 's16le', 'pipe:1'], { maxBuffer: 1 << 28 })
  const samples = new Int16Array(raw.buffer.slice(raw.byteOffset, raw.byteOffset + raw.length))
  const loud = samples.reduce((most, s) => Math.max(most, Math.abs(s)), 0) * 0.01
  let [from, to] = [0, samples.length]
  while (from < to && Math.abs(samples[from]) < loud) from++
  while (to > from && Math.abs(samples[to - 1]) < loud) to--
  const level = Math.sqrt(samples.reduce((sum, s) => sum + s * s, 0) / samples.length)
  return samples.slice(from, to).map((s) => Math.round(Math.max(-32000, Math.min(32000, (s * 2000) / level))))
}

/**
 * A conversation: the paths of its sound and of its record.
 * @param {string[]} voices who takes turns
 * @param {{seconds?: number, longest?: number, texts?: string[]}} options how long it is at least; how many sentences a turn has at most; of which texts
 */
export function conversation(name, voices, seed, { seconds = 240, longest = 4, texts = english } = {}) {
  mkdirSync(folder, { recursive: true })
  const [wav, rttm] = [join(folder, `${name}.wav`), join(folder, `${name}.rttm`)]
  if (existsSync(wav) && existsSync(rttm)) return { wav, rttm, voices }
  const work = mkdtempSync(join(tmpdir(), 'kostel-talk-'))
  const next = random(seed)
  const sentences = texts.flatMap((t) => textOf(t).split(/(?<=[.?!])\s+/)).filter((s) => s.length > 10)
  const gains = voices.map(() => 10 ** ((next() * 8 - 4) / 20))
  const parts = [new Int16Array(rate / 2)]
  const record = []
  let at = rate / 2
  let speaker = 0
  while (at < seconds * rate) {
    const count = 1 + Math.floor(next() * longest)
    for (let i = 0; i < count; i++) {
      const said = say(sentences[Math.floor(next() * sentences.length)], voices[speaker], work).map((s) => s * gains[speaker])
      record.push(`SPEAKER ${name} 1 ${(at / rate).toFixed(3)} ${(said.length / rate).toFixed(3)} <NA> <NA> ${voices[speaker]} <NA> <NA>`)
      const pause = new Int16Array(Math.round((i + 1 < count ? 0.25 + next() * 0.35 : 0.15 + next() * 0.7) * rate))
      parts.push(said, pause)
      at += said.length + pause.length
    }
    speaker = (speaker + 1 + Math.floor(next() * (voices.length - 1))) % voices.length
  }
  const pcm = join(work, 'all.pcm')
  writeFileSync(pcm, Buffer.concat(parts.map((p) => Buffer.from(p.buffer, p.byteOffset, p.byteLength))))
  execFileSync('ffmpeg', ['-v', 'error', '-y', '-f', 's16le', '-ar', String(rate), '-ac', '1', '-i', pcm, wav])
  writeFileSync(rttm, `${record.join('\n')}\n`)
  rmSync(work, { recursive: true })
  return { wav, rttm, voices }
}

/** The conversations that are measured, by how many speak. */
export const conversations = () => [
  ...[['rms', 'awb'], ['slt', 'rms'], ['awb', 'kal16'], ['slt', 'en-us+f3'], ['kal16', 'rms'], ['en-gb+m3', 'awb']].map((v, i) => conversation(`two-${i + 1}`, v, 20 + i)),
  ...[['slt', 'rms', 'awb'], ['slt', 'kal16', 'awb'], ['rms', 'kal16', 'en-us+f2'], ['en-gb+m3', 'slt', 'en-us+f4']].map((v, i) => conversation(`three-${i + 1}`, v, 30 + i, { seconds: 300 })),
  ...[['slt', 'rms', 'awb', 'kal16', 'en-us+f3'], ['slt', 'rms', 'awb', 'en-gb+m3', 'en-us+f2'], ['rms', 'kal16', 'awb', 'en-us+f4', 'en-us+m7']].map((v, i) => conversation(`five-${i + 1}`, v, 50 + i, { seconds: 480 })),
]

/** Conversations on which nothing was set: other pairs, other sentences, turns of one or two sentences. */
export const freshConversations = () => [
  ...[['slt', 'awb'], ['rms', 'kal16'], ['en-us+m3', 'en-us+f1']].map((v, i) => conversation(`fresh-two-${i + 1}`, v, 120 + i, { longest: 2 })),
  ...[['awb', 'kal16', 'slt'], ['rms', 'en-gb+f3', 'kal16']].map((v, i) => conversation(`fresh-three-${i + 1}`, v, 130 + i, { longest: 2 })),
  ...[['slt', 'rms', 'awb', 'kal16', 'en-gb+m3'], ['en-us+f4', 'rms', 'slt', 'en-us+m5', 'awb']].map((v, i) => conversation(`fresh-five-${i + 1}`, v, 150 + i, { seconds: 360, longest: 2 })),
]
