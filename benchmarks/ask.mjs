// Questions to lectures: how often the answering sentence comes back, and how often "said" and "doesn't say" are true.
// Usage: ask.mjs [each|parts|learn|fresh]; "fresh" puts questions to texts that nothing was learned from, with the weights that are kept.
import { spawnSync } from 'node:child_process'

const program = 'benchmarks/Kostel.Benchmarks/bin/Release/net10.0/Kostel.Benchmarks.dll'
const how = process.argv.slice(2, 3)
const texts = how[0] === 'fresh' ? ['benchmarks/questions/fresh.tsv', 'benchmarks/lectures/fresh', 'kept'] : ['benchmarks/questions/lectures.tsv', 'benchmarks/lectures', ...how]
process.exitCode = spawnSync('dotnet', [program, 'ask', ...texts], { stdio: 'inherit' }).status ?? 1
