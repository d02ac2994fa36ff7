// Study material of texts whose key facts were written down before: how many of them stand in a summary of 12 % of the words, in 20 cards, in 12 questions.
// What is learned is always learned from the other texts. Usage: study.mjs [each|cards|quiz|learn|gaps|endings|askable|set]; gaps and endings say how well a good one is told from others, set how long all of it takes for an hour and for four
import { spawnSync } from 'node:child_process'

const program = 'benchmarks/Kostel.Benchmarks/bin/Release/net10.0/Kostel.Benchmarks.dll'
process.exitCode = spawnSync('dotnet', [program, 'study', 'benchmarks/study/facts.tsv', 'benchmarks/lectures', ...process.argv.slice(2)], { stdio: 'inherit' }).status ?? 1
