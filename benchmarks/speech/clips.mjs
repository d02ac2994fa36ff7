// Half-minute clips in two languages, by many synthesised voices, clean and made worse: {file, language, voice, condition}. Built once.
import { execFileSync } from 'node:child_process'
import { existsSync, mkdirSync, readdirSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { root } from '../common.mjs'
import { conditions, spanishTexts } from './sounds.mjs'

const folder = join(root, '.kostel/bench/clips')
const seconds = 30
const spoken = [
  ...['slt', 'rms', 'awb', 'kal16', 'en-us', 'en-us+f3', 'en-gb+m3', 'en-us+m7'].map((voice) => ({ language: 'en', voice, texts: ['bread', 'bees', 'glaciers'] })),
  ...['es', 'es+f2', 'es+m3', 'es-419', 'es-419+f4', 'es-419+m5', 'es+f5', 'es-419+m1'].map((voice) => ({ language: 'es', voice, texts: spanishTexts })),
]

const ffmpeg = (...args) => execFileSync('ffmpeg', ['-v', 'error', '-y', ...args])

function whole({ voice, texts, language }) {
  const wav = join(folder, `${voice}.whole.wav`)
  if (existsSync(wav)) return wav
  const files = texts.map((t) => join(import.meta.dirname, language === 'es' ? 'spanish' : 'texts', `${t}.txt`))
  const parts = files.map((file, i) => {
    const part = join(folder, `${voice}.${i}.wav`)
    if (voice.includes('-') || voice.includes('+') || voice === 'es') execFileSync('espeak-ng', ['-v', voice, '-s', '145', '-f', file, '-w', part])
    else execFileSync('flite', ['-voice', voice, '--setf', 'duration_stretch=1.1', '-f', file, '-o', part])
    return part
  })
  ffmpeg(...parts.flatMap((p) => ['-i', p]), '-filter_complex', `concat=n=${parts.length}:v=0:a=1`, '-ac', '1', '-ar', '16000', wav)
  for (const p of parts) rmSync(p)
  return wav
}

function cut(wav, name) {
  const length = Number(execFileSync('ffprobe', ['-v', 'error', '-show_entries', 'format=duration', '-of', 'csv=p=0', wav], { encoding: 'utf8' }))
  const has = readdirSync(folder).filter((f) => f.startsWith(`${name}.clip`))
  if (has.length === 0) for (let i = 0; (i + 1) * seconds <= length; i++) ffmpeg('-ss', String(i * seconds), '-t', String(seconds), '-i', wav, join(folder, `${name}.clip${i}.wav`))
  return readdirSync(folder).filter((f) => f.startsWith(`${name}.clip`)).sort().map((f) => join(folder, f))
}

/** All clips: each voice clean, the first four of each language in the other conditions too. */
export function clips() {
  mkdirSync(folder, { recursive: true })
  return spoken.flatMap((said) => {
    const clean = whole(said)
    const isHeardWorse = spoken.filter((s) => s.language === said.language).indexOf(said) < 4
    return Object.keys(conditions).filter((c) => c === 'clean' || isHeardWorse).flatMap((condition) => {
      const name = `${said.voice}-${condition.replace(/\W+/g, '-')}`
      const wav = condition === 'clean' ? clean : join(folder, `${name}.wav`)
      if (!existsSync(wav)) conditions[condition](clean, wav)
      const files = cut(wav, name)
      return (condition === 'clean' ? files : files.slice(0, 4)).map((file) => ({ file, language: said.language, voice: said.voice, condition }))
    })
  })
}
