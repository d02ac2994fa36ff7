// Ten minutes each of what is no speech: no word may come out. And speech of another language, which must be noticed.
import { execFileSync } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { root, table } from '../common.mjs'
import { compared, errors, hear } from './heard.mjs'
import { sound, textOf, voices } from './sounds.mjs'

const minutes = 10
const kinds = {
  silence: 'anullsrc=r=16000:cl=mono',
  'white noise': 'anoisesrc=color=white:sample_rate=16000:seed=3:amplitude=0.2',
  'pink noise': 'anoisesrc=color=pink:sample_rate=16000:seed=3:amplitude=0.4',
  'hum at 50 Hz with overtones': "aevalsrc='0.3*sin(100*PI*t)+0.15*sin(200*PI*t)+0.1*sin(300*PI*t)+0.02*random(0)':s=16000",
  'music, chords of three notes': "aevalsrc='0.2*exp(-2*mod(t,0.5))*(sin(2*PI*t*220*pow(2,floor(mod(t*2,7))/12))+sin(2*PI*t*277*pow(2,floor(mod(t*2,5))/12))+sin(2*PI*t*330*pow(2,floor(mod(t*2,4))/12)))':s=16000",
  'clapping': "aevalsrc='0.6*(random(0)-0.5)*exp(-40*mod(t+0.05*sin(7*t),0.21))+0.4*(random(1)-0.5)*exp(-35*mod(t+0.03*sin(11*t),0.17))':s=16000",
  'typing': "aevalsrc='0.5*(random(0)-0.5)*exp(-120*mod(t+0.07*sin(5*t),0.16))':s=16000",
}

export function silence() {
  const files = Object.entries(kinds).map(([name, source]) => {
    const path = join(root, '.kostel/bench', `${name.replace(/\W+/g, '-')}.wav`)
    if (!existsSync(path)) execFileSync('ffmpeg', ['-v', 'error', '-f', 'lavfi', '-i', source, '-t', `${minutes * 60}`, path])
    return path
  })
  const heard = hear(['fast', 'accurate'], files)
  table(['ten minutes of', 'words, fast', 'words, accurate'], Object.keys(kinds).map((name, i) => [name, ...['fast', 'accurate'].map((way) => heard.find((h) => h.way === way && h.file === files[i]).words.length)]))
}

/** The mean confidence of words, by which English is told from what is none; the English texts beside how much of them is right. */
export function languages() {
  const folder = join(import.meta.dirname, 'languages')
  const spoken = (name, voice, file) => {
    const to = join(root, '.kostel/bench', `language-${name}.wav`)
    if (!existsSync(to)) execFileSync('espeak-ng', ['-v', voice, '-s', '140', '-f', file, '-w', to])
    return { name, file: to }
  }
  const made = (name, source, ...filter) => {
    const to = join(root, '.kostel/bench', `language-${name.replace(/\W+/g, '-')}.wav`)
    if (!existsSync(to)) execFileSync('ffmpeg', ['-v', 'error', '-i', source, ...filter, '-ar', '16000', to])
    return { name, file: to }
  }
  const english = ['bread', 'formulae'].map((t) => ({ ...spoken(`English, ${t}`, 'en-us', join(import.meta.dirname, 'texts', `${t}.txt`)), text: t }))
    .concat(voices.map((v) => ({ name: `English, bread, ${v}`, file: sound('bread', v), text: 'bread' })))
    .concat(['double speed', 'from the back row'].map((c) => ({ name: `English, bread, slt, ${c}`, file: sound('bread', 'slt', c), text: 'bread' })))
    .concat([{ ...made('English, bread, slt, 30 dB too loud', sound('bread', 'slt'), '-af', 'volume=30dB'), text: 'bread' }])
  const others = [['Spanish', 'es'], ['German', 'de'], ['French', 'fr-fr']].map(([n, v]) => spoken(n, v, join(folder, `${v.slice(0, 2)}.txt`)))
    .concat([made('English backwards', sound('bread', 'slt'), '-af', 'areverse')])
  const all = [...english, ...others]
  const heard = hear(['fast', 'accurate'], all.map((a) => a.file))
  const of = (way, a) => heard.find((h) => h.way === way && h.file === a.file).words
  const mean = (words) => (words.length ? (words.reduce((s, w) => s + w.confidence, 0) / words.length).toFixed(2) : '–')
  const right = (way, a) => {
    if (!a.text) return ''
    const { wrong, words } = errors(compared(textOf(a.text), of(way, a)))
    return ` (${((100 * wrong) / words).toFixed(0)} % wrong)`
  }
  table(['speech', 'mean confidence, fast', 'mean confidence, accurate', 'example'], all.map((a) => [
    a.name, ...['fast', 'accurate'].map((w) => mean(of(w, a)) + right(w, a)), of('fast', a).slice(3, 11).map((w) => w.text).join(' '),
  ]))
}
