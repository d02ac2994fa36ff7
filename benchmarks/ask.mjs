// Questions to lectures: how often the answering sentence comes back, and how often "said" and "doesn't say" are true.
// Usage: ask.mjs [each|parts|learn]
import { spawnSync } from 'node:child_process'

const program = 'benchmarks/Kostel.Benchmarks/bin/Release/net10.0/Kostel.Benchmarks.dll'
const how = process.argv.slice(2, 3)
process.exitCode = spawnSync('dotnet', [program, 'ask', 'benchmarks/questions/lectures.tsv', 'benchmarks/lectures', ...how], { stdio: 'inherit' }).status ?? 1
