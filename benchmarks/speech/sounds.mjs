// The sound that the recogniser is measured on: texts spoken by flite's voices, clean or made worse by FFmpeg. Built once.
import { execFileSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, readdirSync } from 'node:fs'
import { basename, extname, join } from 'node:path'
import { readLecture, spoken } from '../../demo/lecture-text.mjs'
import { root } from '../common.mjs'

const folder = join(root, '.kostel/bench')
mkdirSync(folder, { recursive: true })
export const spanishTexts = ['aceite', 'rios']
export const voices = ['slt', 'rms', 'awb']

const ffmpeg = (...args) => execFileSync('ffmpeg', ['-v', 'error', '-y', ...args])
const once = (path, build) => {
  if (!existsSync(path)) build(path)
  return path
}

/** The mean level of a sound in dB. */
const level = (...input) => Number(/mean_volume: (-?[\d.]+)/.exec(execFileSync('bash', ['-c', 'ffmpeg -hide_banner "$@" -af volumedetect -f null - 2>&1', '-', ...input], { encoding: 'utf8' }))[1])

/** Noise as strong as the speech, 20 dB taken off. */
const noise = (clean, colour, to, filter = '[0]') => {
  const source = `anoisesrc=color=${colour}:sample_rate=16000:seed=7:amplitude=0.3`
  const gain = level('-i', clean) - 20 - level('-f', 'lavfi', '-t', '20', '-i', source)
  ffmpeg('-i', clean, '-f', 'lavfi', '-i', `${source},volume=${gain}dB`, '-filter_complex', `${filter}[1]amix=inputs=2:duration=first:normalize=0`, to)
}

/** A room: the sound itself, then an exponentially fading tail (60 dB in the given seconds) of random reflections; as loud as before. */
const room = (clean, to, seconds, direct) => {
  const tail = `aevalsrc='if(lt(t,0.0001),${direct},(random(1)-0.5)*0.12*exp(-6.91*t/${seconds}))':d=${seconds}:s=16000`
  const raw = to.replace('.wav', '.raw.wav')
  ffmpeg('-i', clean, '-f', 'lavfi', '-i', tail, '-filter_complex', '[0][1]afir', '-ar', '16000', '-c:a', 'pcm_f32le', raw)
  ffmpeg('-i', raw, '-af', `volume=${level('-i', clean) - level('-i', raw)}dB,alimiter=limit=0.95:level=0`, to)
}

/** What can be done to a clean recording. */
export const conditions = {
  clean: null,
  'pink noise, 20 dB below': (from, to) => noise(from, 'pink', to),
  'echo of a room (0.5 s)': (from, to) => room(from, to, 0.5, 1),
  'double speed': (from, to) => ffmpeg('-i', from, '-af', 'atempo=2.0', to),
  'telephone band': (from, to) => ffmpeg('-i', from, '-af', 'highpass=f=300:p=2,lowpass=f=3400:p=2,aresample=8000,aresample=16000', '-ar', '16000', to),
  'from the back row': (from, to) => {
    const far = to.replace('.wav', '.far.wav')
    room(from, far, 0.8, 0.35)
    noise(far, 'pink', to, '[0]lowpass=f=5000,volume=0.25[q];[q]')
  },
}

/** The spoken text of a recording of the demonstration or of a text of the benchmark. */
export const textOf = (name) =>
  /^\d/.test(name)
    ? spoken(readLecture(readFileSync(join(root, 'demo/texts', `${name}.txt`), 'utf8')))
    : readFileSync(join(import.meta.dirname, spanishTexts.includes(name) ? 'spanish' : 'texts', `${name}.txt`), 'utf8')

/** The demonstration's recordings in English: [{file, name}]. */
export const demonstration = () =>
  readdirSync(join(root, 'demo/media')).filter((m) => !m.startsWith('10-')).sort().map((m) => ({ file: join(root, 'demo/media', m), name: basename(m, extname(m)) }))

/** A text spoken by a voice in a condition: the path of its sound. */
export function sound(name, voice, condition = 'clean') {
  const clean = once(join(folder, `${name}-${voice}.wav`), (to) =>
    execFileSync('flite', ['-voice', voice, '--setf', 'duration_stretch=1.1', '-f', join(import.meta.dirname, 'texts', `${name}.txt`), '-o', to]))
  return conditions[condition]
    ? once(join(folder, `${name}-${voice}-${condition.replace(/\W+/g, '-')}.wav`), (to) => conditions[condition](clean, to))
    : clean
}
