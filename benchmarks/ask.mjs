// Questions to lectures: how often the answering sentence comes back, and how often "said" and "doesn't say" are true.
// Usage: ask.mjs [each|parts|bars|learn|fresh|right|spoken|otherwise|written]; "bars" prints what would be true from which chance on; "fresh" puts questions to texts that nothing was learned from, with the weights
// that are kept; "right" asks all lectures of the demonstration at once; "spoken" has texts spoken and asks what the recogniser wrote of them;
// "otherwise" puts the same questions as people type them; "written" compares sentences with passages that bear them out, or do not.
import { existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, join } from 'node:path'
import { run, speakAndWrite } from './spoken.mjs'

const program = 'benchmarks/Kostel.Benchmarks/bin/Release/net10.0/Kostel.Benchmarks.dll'
const bench = (...args) => run('dotnet', [program, ...args])
const how = process.argv[2]
const lists = { 'benchmarks/questions/fresh.tsv': 'benchmarks/lectures/fresh', 'benchmarks/questions/lectures.tsv': 'benchmarks/lectures' }
const spoken = ['bicycle-lanes-seminar', 'cheese-demonstration', 'memory-lecture', 'pendulum-clocks', 'sourdough-chemistry', 'noise-and-hearing']

if (how === 'written') bench('written', 'benchmarks/written', ...process.argv.slice(3))
else if (how === 'right') bench('right', 'benchmarks/questions/demo.tsv', 'demo/transcripts', 'benchmarks/questions/lectures.tsv', 'benchmarks/lectures')
else if (how === 'otherwise') for (const [list, texts] of Object.entries(lists)) bench('otherwise', list, texts)
else if (how === 'spoken') {
  const folder = mkdtempSync(join(tmpdir(), 'kostel-spoken-'))
  speakAndWrite(folder, spoken.map((name) => [`benchmarks/lectures/fresh/${name}.txt`, `benchmarks/lectures/${name}.txt`].find(existsSync)), (file) => basename(file, '.txt'))
  for (const [list, texts] of Object.entries(lists)) bench('spoken', list, texts, folder)
  rmSync(folder, { recursive: true })
} else if (how === 'fresh') bench('ask', 'benchmarks/questions/fresh.tsv', 'benchmarks/lectures/fresh', 'kept')
else bench('ask', 'benchmarks/questions/lectures.tsv+benchmarks/questions/wide.tsv', 'benchmarks/lectures', ...(how ? [how] : []))
