// Whether the chance that a word is given is the chance that it is right, and what lies below the line of doubt.
import { table } from '../common.mjs'
import { compared, hear } from './heard.mjs'
import { demonstration, sound, textOf, voices } from './sounds.mjs'

const line = 0.8

export function unsure() {
  const others = ['bread', 'bridges', 'bees', 'glaciers'].flatMap((name) => voices.map((v) => ({ name, file: sound(name, v) })))
  const recordings = [...demonstration(), ...others]
  const heard = hear(['fast', 'accurate'], recordings.map((r) => r.file))
  const words = heard.flatMap((h) => {
    const recording = recordings.find((r) => r.file === h.file)
    const wrong = new Set(compared(textOf(recording.name), h.words).filter(([s, w]) => w && s?.text !== w.text).map(([, w]) => w.at))
    return h.words.map((w, i) => ({ way: h.way, isFitted: !others.includes(recording), confidence: w.confidence, isWrong: wrong.has(i) }))
  })
  const share = (part, whole) => `${((100 * part) / whole).toFixed(1)} %`
  table(
    ['texts', 'setting', `words below ${line}`, 'of the wrong words'],
    [true, false].flatMap((isFitted) => ['fast', 'accurate'].map((way) => {
      const all = words.filter((w) => w.way === way && w.isFitted === isFitted)
      const below = all.filter((w) => w.confidence < line)
      return [isFitted ? 'demonstration (fitted on)' : 'others', way, share(below.length, all.length), share(below.filter((w) => w.isWrong).length, all.filter((w) => w.isWrong).length)]
    })),
  )
  console.log()
  const steps = [0, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 0.95, 1.01]
  table(
    ['said chance, other texts', 'words', 'mean of what was said', 'right'],
    steps.slice(1).map((to, i) => {
      const part = words.filter((w) => !w.isFitted && w.confidence >= steps[i] && w.confidence < to)
      return [`${steps[i]} to ${Math.min(to, 1)}`, part.length, (part.reduce((a, w) => a + w.confidence, 0) / part.length).toFixed(2), (part.filter((w) => !w.isWrong).length / part.length).toFixed(2)]
    }),
  )
}
