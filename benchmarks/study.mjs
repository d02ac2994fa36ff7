// Study material of texts whose key facts were written down before: how many of them stand in a summary of 12 % of the words, in 20 cards, in 12 questions.
// What is learned is always learned from the other texts. Usage: study.mjs [each|cards|quiz|learn|gaps|endings|askable|tojudge|set|spoken|borneout]; tojudge prints those to be judged, gaps and endings say how well a good one is told from others, set how long all of it takes for an hour and for four,
// spoken what of it is left where the recogniser wrote the text, and in which lines the two differ; borneout checks all that is stated by other means.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { run, speakAndWrite } from './spoken.mjs'

const program = 'benchmarks/Kostel.Benchmarks/bin/Release/net10.0/Kostel.Benchmarks.dll'
const texts = 'benchmarks/lectures'
const bench = (...args) => run('dotnet', [program, 'study', 'benchmarks/study/facts.tsv', texts, ...args])
const spoken = ['pendulum-clocks', 'later/first-aid-evening', 'unseen/harbour-law', 'noise-and-hearing', 'sourdough-chemistry', 'fresh/memory-lecture']

if (process.argv[2] === 'spoken') {
  const folder = mkdtempSync(join(tmpdir(), 'kostel-spoken-'))
  speakAndWrite(folder, spoken.map((name) => `${texts}/${name}.txt`), (file) => file.slice(texts.length + 1, -4).replaceAll('/', '-'))
  bench('spoken', folder)
  rmSync(folder, { recursive: true })
} else if (process.argv[2] === 'borneout') await import('./borneout.mjs')
else bench(...process.argv.slice(2))
