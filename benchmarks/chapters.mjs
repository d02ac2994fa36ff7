// Chapters: how far they are from where texts were joined (F. Choi, 2000, rebuilt from the Brown corpus with a seeded
// generator), and from outlines of lectures that were written down before; how long four hours take.
// Usage: chapters.mjs [titles | learn | naming]: the names of the chapters beside, also of those that were written; or the weights learned, of where chapters begin or of what
// they are called, each text measured by those of the others.
import { execFileSync } from 'node:child_process'
import { readdirSync } from 'node:fs'

const program = 'benchmarks/Kostel.Benchmarks/bin/Release/net10.0/Kostel.Benchmarks.dll'
const bench = (args, input) => execFileSync('dotnet', [program, ...args], { encoding: 'utf8', input, maxBuffer: 1 << 28 })
const texts = (folder) => readdirSync(folder).filter((f) => f.endsWith('.txt')).sort().map((f) => `${folder}/${f}`)
if (process.argv[2] === 'learn') {
  console.log('| folder | texts | Pk | WindowDiff | chapters written | found | of these alike |\n|---|---|---|---|---|---|---|')
  const folders = ['', 'blind', 'fresh', 'further', 'kept', 'later', 'long', 'manners', 'more', 'outlined', 'plain', 'unseen', 'varied', 'wide'].map((f) => `benchmarks/lectures/${f}`)
  process.stdout.write(bench(['learn', ...folders.flatMap(texts)]))
  process.exit()
}
if (process.argv[2] === 'naming') {
  process.stdout.write(bench(['naming', 'benchmarks/chapters/titles.tsv', 'benchmarks/lectures']))
  process.exit()
}
const way = process.argv[2] === 'titles' ? 'titles' : 'lectures'

console.log('| joined texts, 100 of each | method | Pk | WindowDiff |\n|---|---|---|---|')
for (const [parts, named] of [['aj', 'news and learned'], ['aklmnp', 'news and fiction']])
  for (const [low, high] of [[3, 11], [3, 5], [6, 8], [9, 11]]) {
    const joined = execFileSync('node', ['tests/reference/choi.mjs', String(low), String(high), '100', parts], { encoding: 'utf8', maxBuffer: 1 << 28 })
    process.stdout.write(bench(['joined', `${named}, ${low}–${high}`], joined))
  }
const groups = ['', '/unseen', '/later', '/more'].map((f) => ['lectures of which the weights were learned', `benchmarks/lectures${f}`])
groups.push(['lectures that nothing was learned from', 'benchmarks/lectures/after'])
for (const [named, folder] of groups) {
  console.log(`\n| ${named} | chapters written | found | Pk | number given | by words alone |\n|---|---|---|---|---|---|`)
  process.stdout.write(bench([way, ...texts(folder)]))
}
console.log('\nTitles of the chapters as they were written, beside those that were written:')
process.stdout.write(bench(['named', ...groups.flatMap(([, folder]) => texts(folder))]).split('\n').slice(way === 'titles' ? 0 : -2).join('\n'))
console.log('\nTitles of chapters that were read, against titles judged before:')
process.stdout.write(bench(['judged', 'benchmarks/chapters/titles.tsv', 'benchmarks/lectures']).split('\n').slice(way === 'titles' ? 0 : -2).join('\n'))
console.log('\n| length | time |\n|---|---|')
process.stdout.write(bench(['long', ...texts('benchmarks/lectures'), ...texts('benchmarks/lectures/unseen')]))
