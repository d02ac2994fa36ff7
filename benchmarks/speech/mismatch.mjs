// Half-minute clips of English and Spanish: how often the wrong language is noticed, and how often the right one is doubted.
import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import { root, table } from '../common.mjs'
import { clips } from './clips.mjs'

const program = join(root, 'benchmarks/Kostel.Benchmarks/bin/Release/net10.0/Kostel.Benchmarks.dll')

export function mismatch() {
  const all = clips()
  const lines = execFileSync('dotnet', [program, 'language', ...all.map((c) => c.file)], { encoding: 'utf8', maxBuffer: 1 << 28 }).trim().split('\n').map((l) => JSON.parse(l))
  const of = (part) => {
    const noticed = part.filter((c) => c.guess.isClear && c.guess.language === c.language).length
    const alarms = part.filter((c) => c.guess.isClear && c.guess.language !== c.language).length
    const right = part.filter((c) => c.guess.language === c.language).length
    const alone = part.filter((c) => c.alone.fitsNone).length
    return [part.length, `${((100 * noticed) / part.length).toFixed(1)} %`, `${((100 * alarms) / part.length).toFixed(1)} %`, `${((100 * right) / part.length).toFixed(1)} %`, `${((100 * alone) / part.length).toFixed(1)} %`]
  }
  const heard = all.map((c, i) => ({ ...c, ...lines[i] }))
  const rows = []
  for (const [language, name] of [['es', 'Spanish'], ['en', 'English']]) {
    for (const condition of [...new Set(heard.map((c) => c.condition))]) rows.push([`${name}, ${condition}`, ...of(heard.filter((c) => c.language === language && c.condition === condition))])
    rows.push([`${name}, all`, ...of(heard.filter((c) => c.language === language))])
  }
  table(['clips', 'number', 'noticed when given as the other', 'false alarm', 'guessed right', 'with English alone: hardly English'], rows)
}
