#!/usr/bin/env node
// Builds the sound of the demonstration lectures from demo/texts: spoken by flite's voices (Spanish by espeak-ng's), encoded by FFmpeg.
// Needs Debian's flite, espeak-ng, ffmpeg and fonts-dejavu-core. Usage: build-media.mjs [--site] [NAME…]; --site: the talks of the stand-in site.
import { execFileSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { readLecture } from './lecture-text.mjs'

const isSite = process.argv.includes('--site')
const here = join(dirname(fileURLToPath(import.meta.url)), isSite ? 'site' : '.')
const rate = 16000
const afterParagraph = 0.7
const afterChapter = 1.8
mkdirSync(join(here, 'media'), { recursive: true })
const work = mkdtempSync(join(tmpdir(), 'kostel-demo-'))
const run = (program, ...args) => execFileSync(program, args, { stdio: ['ignore', 'pipe', 'inherit'], maxBuffer: 1 << 28 })

/** How a word must be written for the synthesiser, which otherwise reads its letters out. */
const sayAs = { twelfths: 'twelths' }
const pronounced = (text) => text.replace(/\b\w+\b/g, (word) => sayAs[word] ?? word)

/** Samples of one paragraph, 16 bit mono. */
function speak(text, voice, language) {
  const wav = join(work, 'part.wav')
  const script = join(work, 'part.txt')
  writeFileSync(script, language ? text : pronounced(text))
  if (language) run('espeak-ng', '-v', voice, '-s', '135', '-f', script, '-w', wav)
  else run('flite', '-voice', voice, '--setf', 'duration_stretch=1.15', '-f', script, '-o', wav)
  return run('ffmpeg', '-v', 'error', '-y', '-i', wav, '-ac', '1', '-ar', String(rate), '-f', 's16le', 'pipe:1')
}

const silence = (seconds) => Buffer.alloc(Math.round(seconds * rate) * 2)

/** A slide: a title and up to three lines on chart paper. */
function slideFilter(text) {
  const font = '/usr/share/fonts/truetype/dejavu/DejaVuSerif.ttf'
  const [title, ...lines] = text.split('|').map((l) => l.trim())
  const draw = (line, size, y, file) => {
    writeFileSync(join(work, file), line)
    return `drawtext=fontfile=${font}:textfile=${join(work, file)}:fontsize=${size}:fontcolor=0x14242B:x=64:y=${y}`
  }
  return [
    draw(title, 44, 76, 'title.txt'),
    'drawbox=x=64:y=146:w=712:h=2:color=0x2F6B7C:t=fill',
    ...lines.map((l, i) => draw(l, 28, 190 + i * 56, `line${i}.txt`)),
  ].join(',')
}

function build(file) {
  const name = basename(file, '.txt')
  const lecture = readLecture(readFileSync(file, 'utf8'))
  const parts = [silence(0.4)]
  const slides = []
  let seconds = 0.4
  const add = (samples) => {
    parts.push(samples)
    seconds += samples.length / 2 / rate
  }
  for (const block of lecture.blocks) {
    if (block.kind === 'slide') slides.push({ at: slides.length ? seconds : 0, text: block.text })
    else if (block.kind === 'chapter') add(silence(afterChapter - afterParagraph))
    else {
      add(speak(block.text, block.voice, lecture.language))
      add(silence(afterParagraph))
    }
  }
  const pcm = join(work, 'all.pcm')
  writeFileSync(pcm, Buffer.concat(parts))
  const sound = ['-f', 's16le', '-ar', String(rate), '-ac', '1', '-i', pcm]
  if (slides.length === 0) {
    run('ffmpeg', '-v', 'error', '-y', ...sound, '-c:a', 'libopus', '-b:a', '32k', '-application', 'audio', join(here, 'media', `${name}.opus`))
    return
  }
  const list = slides.map((slide, i) => {
    const picture = join(work, `slide${i}.png`)
    run('ffmpeg', '-v', 'error', '-y', '-f', 'lavfi', '-i', 'color=0xEEF2F2:s=840x472', '-vf', slideFilter(slide.text), '-frames:v', '1', picture)
    const until = i + 1 < slides.length ? slides[i + 1].at : seconds
    return `file '${picture}'\nduration ${(until - slide.at).toFixed(3)}\n`
  })
  const concat = join(work, 'slides.txt')
  writeFileSync(concat, `${list.join('')}file '${join(work, `slide${slides.length - 1}.png`)}'\n`)
  run(
    'ffmpeg', '-v', 'error', '-y', '-f', 'concat', '-safe', '0', '-i', concat, ...sound,
    '-map', '0:v', '-map', '1:a', '-r', '4', '-c:v', 'libx264', '-preset', 'veryslow', '-tune', 'stillimage', '-crf', '26',
    '-pix_fmt', 'yuv420p', '-c:a', 'aac', '-b:a', '40k', '-t', String(seconds), '-movflags', '+faststart', join(here, 'media', `${name}.mp4`),
  )
}

const wanted = process.argv.slice(2).filter((a) => a !== '--site')
for (const file of readdirSync(join(here, 'texts')).sort()) {
  if (!file.endsWith('.txt') || (wanted.length && !wanted.some((w) => file.startsWith(w)))) continue
  console.error(`Speaking ${file}`)
  build(join(here, 'texts', file))
}
rmSync(work, { recursive: true })
