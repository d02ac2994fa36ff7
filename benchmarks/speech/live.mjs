// How soon words are shown, and become certain, while a recording plays at its own pace, against the synthesiser's own record of when it said them.
import { execFileSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import { kostel, table } from '../common.mjs'
import { aligned, bare, errors, hear } from './heard.mjs'
import { sound, voices } from './sounds.mjs'
import { starts } from './starts.mjs'

const seconds = 100

function beginning(name, voice) {
  const whole = sound(name, voice)
  const to = whole.replace('.wav', `-${seconds}s.wav`)
  if (!existsSync(to)) execFileSync('ffmpeg', ['-v', 'error', '-i', whole, '-t', String(seconds), to])
  return to
}

const at = (sorted, q) => (sorted.length ? sorted[Math.floor(q * (sorted.length - 1))] : Number.NaN)
const ms = (v) => `${(v / 1000).toFixed(2)} s`

export function live() {
  const rows = ['bread', 'bridges', 'bees'].map((name, i) => {
    const voice = voices[i]
    const file = beginning(name, voice)
    const texts = kostel('transcribe', file, '--live', '--language', 'en', '--to', 'json').trim().split('\n').map((l) => JSON.parse(l))
    const said = starts(voice, name).filter((w) => w.end !== undefined && w.end < seconds * 1000 - 500)
    const final = texts.flatMap((t) => t.final.map((w) => ({ ...w, at: t.atMs })))
    const pairs = aligned(said, bare(final.map((w) => w.text)))
    const right = pairs.filter(([s, w]) => s && w && s.text === w.text)
    const certain = right.map(([s, w]) => final[w.at].at - s.end).sort((a, b) => a - b)

    // A word is shown when it first stands, as it will stay, among what is certain and tentative, at most two places from its own.
    const standing = []
    const looks = texts.map((t) => {
      standing.push(...t.final)
      return { at: t.atMs, words: [...standing, ...t.tentative].map((w) => bare([w.text])[0]?.text ?? '') }
    })
    const shown = right.map(([s, w]) => looks.find((l) => l.words.slice(Math.max(0, w.at - 2), w.at + 3).includes(s.text)).at - s.end).sort((a, b) => a - b)
    const within = (list, limit) => `${((100 * list.filter((v) => v <= limit).length) / list.length).toFixed(1)} %`
    const whole = hear(['fast'], [file])[0].words
    const { wrong, words } = errors(pairs)
    const apart = errors(aligned(said, bare(whole.map((w) => w.text))))
    return [`${name}, ${voice}`, right.length, ms(at(shown, 0.5)), within(shown, 1500), ms(at(certain, 0.5)), ms(at(certain, 0.9)), within(certain, 3000),
      `${((100 * wrong) / words).toFixed(1)} %`, `${((100 * apart.wrong) / apart.words).toFixed(1)} %`]
  })
  table(['speech', 'words', 'shown after (median)', 'shown within 1.5 s', 'certain after (median)', 'certain after (90 %)', 'certain within 3 s', 'wrong live', 'wrong, whole recording'], rows)
}
