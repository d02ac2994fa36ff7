// A file of 60 minutes, joined from demonstration lectures: time and the most memory held.
import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { measured, root, table } from './common.mjs'

const work = mkdtempSync(join(tmpdir(), 'kostel-hour-'))
const list = join(work, 'list.txt')
const hour = join(work, 'hour.opus')
const names = ['01-why-tides', '03-rule-of-twelfths', '04-tidal-streams', '05-soil-texture', '06-soil-water', '07-soil-acidity']
writeFileSync(list, [...names, ...names].map((n) => `file '${join(root, 'demo/media', n)}.opus'\n`).join(''))
execFileSync('ffmpeg', ['-v', 'error', '-f', 'concat', '-safe', '0', '-i', list, '-t', '3600', '-c', 'copy', hour])
const { seconds, megabytes } = measured('transcribe', hour, '--to', 'json')
table(['recording', 'whole command', 'for a minute of sound', 'most memory'], [['60 min', `${seconds.toFixed(0)} s`, `${(seconds / 60).toFixed(2)} s`, `${megabytes.toFixed(0)} MB`]])
rmSync(work, { recursive: true })
