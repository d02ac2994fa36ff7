// Texts spoken by a synthesiser and written down again by the recogniser, for benches that compare the two.
import { spawnSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

/** Runs a program; what fails makes this one fail too. */
export function run(command, args, stdio = 'inherit') {
  const { status } = spawnSync(command, args, { stdio })
  if (status !== 0) process.exitCode = status ?? 1
}

/** A recording and a transcript of each text in a folder, under the name that it is given; two voices take turns. */
export function speakAndWrite(folder, files, nameOf) {
  for (const [i, file] of files.entries()) {
    const [text, sound, transcript] = ['txt', 'wav', 'json'].map((to) => join(folder, `${nameOf(file)}.${to}`))
    writeFileSync(text, readFileSync(file, 'utf8').split('\n').filter((l) => l.trim() && !l.startsWith('==')).join('\n'))
    run('flite', ['-voice', i % 2 ? 'slt' : 'rms', '-f', text, '-o', sound])
    run('./kostel', ['transcribe', sound, '--out', transcript, '--to', 'json'], ['ignore', 'ignore', 'inherit'])
  }
}
