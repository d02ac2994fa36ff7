// What the measurements share.
import { execFileSync, spawnSync } from 'node:child_process'
import { join, resolve } from 'node:path'

export const root = resolve(import.meta.dirname, '..')
const cli = join(root, 'src/Kostel.Cli/bin/Release/net10.0/Kostel.Cli.dll')

/** Runs a command of Kostel's and returns its standard output. */
export const kostel = (...args) => execFileSync('dotnet', [cli, ...args], { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'], maxBuffer: 1 << 28 })

/** Runs a command of Kostel's under a clock: seconds, and the most memory it held in MB (all its processes but FFmpeg). */
export function measured(...args) {
  const run = spawnSync('bash', ['-c', 'exec 3>&2; TIMEFORMAT=%R; time dotnet "$@" >/dev/null 2>/tmp/kostel-bench.err & pid=$!; most=0; while kill -0 $pid 2>/dev/null; do for p in $(pgrep -P $pid -f Kostel.Cli); do hwm=$(awk "/VmHWM/{print \\$2}" /proc/$p/status 2>/dev/null || echo 0); [ "${hwm:-0}" -gt $most ] && most=$hwm; done; sleep 0.5; done; wait $pid; echo $most', 'bench', cli, ...args], { encoding: 'utf8' })
  return { seconds: Number(run.stderr.trim().split('\n').at(-1)), megabytes: Number(run.stdout.trim()) / 1000 }
}

/** (S + D + I) / N after lower-casing and dropping punctuation; hyphens divide, "Mr." is "mister". */
export function wordErrors(reference, hypothesis) {
  const words = (t) => t.toLowerCase().replace(/[^\p{L}\p{N}' ]+/gu, ' ').split(/\s+/).filter(Boolean).map((w) => (w === 'mr' ? 'mister' : w))
  const [a, b] = [words(reference), words(hypothesis)]
  let previous = [...Array(b.length + 1).keys()]
  for (let i = 1; i <= a.length; i++) {
    const row = [i]
    for (let j = 1; j <= b.length; j++) row[j] = Math.min(previous[j] + 1, row[j - 1] + 1, previous[j - 1] + (a[i - 1] === b[j - 1] ? 0 : 1))
    previous = row
  }
  return { wrong: previous[b.length], words: a.length }
}

/** Prints rows as a Markdown table. */
export function table(head, rows) {
  console.log(`| ${head.join(' | ')} |\n|${head.map(() => '---').join('|')}|`)
  for (const row of rows) console.log(`| ${row.join(' | ')} |`)
}
