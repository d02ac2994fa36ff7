// Subjects: mean average precision of the passages that speak of written subjects, beside BM25 alone.
// Usage: subjects.mjs [each]
import { execFileSync } from 'node:child_process'

const program = 'benchmarks/Kostel.Benchmarks/bin/Release/net10.0/Kostel.Benchmarks.dll'
const each = process.argv[2] === 'each' ? ['each'] : []
const lists = [
  ['benchmarks/subjects/lectures.tsv', 'benchmarks/lectures', '3'],
  ['benchmarks/subjects/demonstration.tsv', 'demo/texts', '1'],
  ['benchmarks/subjects/later.tsv', 'benchmarks/lectures', '3'],
]
console.log('| list | subject | track | without knowledge of words | BM25 alone |\n|---|---|---|---|---|')
for (const list of lists) process.stdout.write(execFileSync('dotnet', [program, 'subjects', ...list, ...each], { encoding: 'utf8' }))
