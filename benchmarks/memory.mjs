// Files of one and of four hours, joined from demonstration lectures: time and the most memory held.
import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { measured, root, table } from './common.mjs'

const work = mkdtempSync(join(tmpdir(), 'kostel-hour-'))
const list = join(work, 'list.txt')
const names = ['01-why-tides', '03-rule-of-twelfths', '04-tidal-streams', '05-soil-texture', '06-soil-water', '07-soil-acidity']
const rows = [1, 4].map((hours) => {
  const file = join(work, `${hours}.opus`)
  writeFileSync(list, Array.from({ length: 2 * hours }, () => names).flat().map((n) => `file '${join(root, 'demo/media', n)}.opus'\n`).join(''))
  execFileSync('ffmpeg', ['-v', 'error', '-f', 'concat', '-safe', '0', '-i', list, '-t', `${3600 * hours}`, '-c', 'copy', file])
  const { seconds, megabytes } = measured('transcribe', file, '--accuracy', 'fast', '--to', 'json')
  return [`${hours} h`, `${seconds.toFixed(0)} s`, `${(seconds / 60 / hours).toFixed(2)} s`, `${megabytes.toFixed(0)} MB`]
})
table(['recording', 'whole command', 'for a minute of sound', 'most memory'], rows)
rmSync(work, { recursive: true })
