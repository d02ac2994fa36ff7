// Errors and time of the plain loop and of both settings, on the same recordings in the same run.
import { table } from '../common.mjs'
import { compared, errors, hear } from './heard.mjs'
import { demonstration, sound, textOf, voices } from './sounds.mjs'

const ways = ['plain', 'fast', 'accurate']
const percent = ({ wrong, words }) => `${((100 * wrong) / words).toFixed(1)} %`
const sum = (list) => list.reduce((a, b) => ({ wrong: a.wrong + b.wrong, words: a.words + b.words }), { wrong: 0, words: 0 })

/** A row for each group of recordings: [label, [{file, name}]]. */
function rates(groups) {
  const all = hear(ways, [...new Set(groups.flatMap(([, recordings]) => recordings.map((r) => r.file)))])
  const rows = groups.map(([label, recordings]) => [
    label,
    sum(recordings.map((r) => errors(compared(textOf(r.name), all.find((h) => h.file === r.file).words)))).words,
    ...ways.map((way) => percent(sum(recordings.map((r) => errors(compared(textOf(r.name), all.find((h) => h.file === r.file && h.way === way).words)))))),
  ])
  table(['speech', 'words', 'plain loop', 'fast', 'accurate'], rows)
  const minute = (way) => (60 * all.filter((h) => h.way === way).reduce((a, h) => a + h.seconds, 0)) / all.filter((h) => h.way === way).reduce((a, h) => a + h.sound, 0)
  console.log()
  table(['way', 'seconds for a minute of sound', 'times as fast as the plain loop'], ways.map((w) => [w, minute(w).toFixed(2), (minute('plain') / minute(w)).toFixed(1)]))
}

const clean = (name) => voices.map((voice) => ({ file: sound(name, voice), name }))
const under = (condition) => ['bread', 'bridges', 'bees'].flatMap((name) => voices.map((voice) => ({ file: sound(name, voice, condition), name })))

export const demo = (wanted) => rates([['demonstration', demonstration().filter((r) => !wanted.length || wanted.some((w) => r.name.includes(w)))]])
export const texts = () => rates(['bread', 'bridges', 'bees', 'glaciers'].map((n) => [n, clean(n)]).concat(voices.map((v, i) => [`voice ${v}`, ['bread', 'bridges', 'bees', 'glaciers'].map((n) => clean(n)[i])]), [['all', ['bread', 'bridges', 'bees', 'glaciers'].flatMap(clean)]]))
export const hard = () =>
  rates([
    ...['clean', 'pink noise, 20 dB below', 'echo of a room (0.5 s)', 'double speed', 'telephone band', 'from the back row'].map((c) => [c, under(c)]),
    ['fillers, restarts, asides', clean('asides')],
    ['spoken formulae', clean('formulae')],
  ])

/** The demonstration's lectures and others, about an hour, each read in all ways before the next. */
export function hour() {
  const files = [...demonstration().map((r) => r.file), ...['bread', 'bridges'].map((n) => sound(n, 'slt')), sound('bees', 'rms'), sound('bees', 'awb')]
  const all = hear(ways, files)
  const total = (way, what) => all.filter((h) => h.way === way).reduce((a, h) => a + h[what], 0)
  const median = (list) => list.sort((a, b) => a - b)[list.length >> 1]
  const times = (way) => median(files.map((f) => all.find((h) => h.file === f && h.way === 'plain').seconds / all.find((h) => h.file === f && h.way === way).seconds))
  table(
    ['way', 'minutes of sound', 'seconds', 'for a minute', 'times as fast as the plain loop', 'median of the recordings', 'processor seconds'],
    ways.map((w) => [w, (total(w, 'sound') / 60).toFixed(1), total(w, 'seconds').toFixed(1), ((60 * total(w, 'seconds')) / total(w, 'sound')).toFixed(2), (total('plain', 'seconds') / total(w, 'seconds')).toFixed(1), times(w).toFixed(1), total(w, 'processor').toFixed(1)]))
}
