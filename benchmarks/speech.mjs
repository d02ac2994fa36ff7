// Errors and time of the plain loop and of both settings over the demonstration's recordings, in one run.
// Usage: speech.mjs [NAME…], parts of the recordings' names; all without one.
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, extname, join } from 'node:path'
import { readLecture, spoken } from '../demo/lecture-text.mjs'
import { root } from './common.mjs'

const wanted = process.argv.slice(2)
const texts = mkdtempSync(join(tmpdir(), 'kostel-speech-'))
const pairs = readdirSync(join(root, 'demo/media')).sort().filter((m) => !wanted.length || wanted.some((w) => m.includes(w))).flatMap((media) => {
  const name = basename(media, extname(media))
  const text = join(texts, `${name}.txt`)
  writeFileSync(text, spoken(readLecture(readFileSync(join(root, 'demo/texts', `${name}.txt`), 'utf8'))))
  return [join(root, 'demo/media', media), text]
})
execFileSync('dotnet', [join(root, 'benchmarks/Kostel.Benchmarks/bin/Release/net10.0/Kostel.Benchmarks.dll'), ...pairs], { stdio: 'inherit' })
rmSync(texts, { recursive: true })
