// Questions to lectures: how often the answering sentence comes back, and how often "said" and "doesn't say" are true.
// Usage: ask.mjs [each]
import { execFileSync } from 'node:child_process'

const program = 'benchmarks/Kostel.Benchmarks/bin/Release/net10.0/Kostel.Benchmarks.dll'
const each = process.argv[2] === 'each' ? ['each'] : []
if (each.length) console.log('| question | lines | state | found | first line |\n|---|---|---|---|---|')
const out = execFileSync('dotnet', [program, 'ask', 'benchmarks/questions/lectures.tsv', 'benchmarks/lectures', ...each], { encoding: 'utf8', maxBuffer: 1 << 26 })
if (!each.length) console.log('| questions to thirteen lectures | measured | goal |\n|---|---|---|')
process.stdout.write(out)
