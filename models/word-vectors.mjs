// Turns word vectors as their package has them (one JSON of 300 MB) into a compact table: the words that are written in
// small letters among the 120,000 most frequent ones; their vectors without the mean and the two directions that all share
// (J. Mu, P. Viswanath, "All-but-the-top", 2018), of length one, in whole numbers of 8 bits with one scale a word.
// Layout, little-endian: "KOSTELV1", int32 words, int32 numbers a word, int32 bytes of text, the words divided by line feeds
// in order of frequency, and for each word a float32 scale and its numbers as signed bytes.
import { Writable } from 'node:stream'

const most = 120_000
const common = 2
const entry = /"((?:[^"\\]|\\.)*)":\[([-\d.,eE]+)\]/g

/** A stream to write the JSON to; `bytes()` is the table, once it has been written whole. */
export function converter() {
  const words = []
  const vectors = []
  let rest = ''
  let size = 0
  const take = (text) => {
    let end = 0
    for (const found of text.matchAll(entry)) {
      end = found.index + found[0].length
      const numbers = found[2].split(',').map(Number)
      // After the numbers of a word come its length and its place by frequency.
      if (!size) size = numbers.length - 2
      if (numbers.length !== size + 2 || numbers[size + 1] >= most || !/^[a-z]+(?:-[a-z]+)*$/.test(found[1])) continue
      words.push({ word: found[1], at: numbers[size + 1], row: vectors.length })
      vectors.push(Float64Array.from(numbers.slice(0, size)))
    }
    return text.slice(end)
  }
  const sink = new Writable({
    write(chunk, _, done) {
      rest = take(rest + chunk.toString('latin1'))
      done()
    },
  })
  return { sink, bytes: () => table(words.sort((a, b) => a.at - b.at), vectors, size) }
}

function table(words, vectors, size) {
  if (words.length === 0) throw new Error('there are no word vectors in it')
  const mean = new Float64Array(size)
  for (const v of vectors) for (let i = 0; i < size; i++) mean[i] += v[i] / vectors.length
  for (const v of vectors) for (let i = 0; i < size; i++) v[i] -= mean[i]
  for (let c = 0; c < common; c++) without(vectors, direction(vectors, size))
  const text = Buffer.from(words.map((w) => w.word).join('\n'))
  const out = Buffer.alloc(20 + text.length + words.length * (4 + size))
  out.write('KOSTELV1', 0, 'latin1')
  out.writeInt32LE(words.length, 8)
  out.writeInt32LE(size, 12)
  out.writeInt32LE(text.length, 16)
  text.copy(out, 20)
  let at = 20 + text.length
  for (const { row } of words) {
    const v = vectors[row]
    const length = Math.sqrt(v.reduce((sum, x) => sum + x * x, 0)) || 1
    const scale = v.reduce((largest, x) => Math.max(largest, Math.abs(x)), 0) / length / 127 || 1
    out.writeFloatLE(scale, at)
    for (let i = 0; i < size; i++) out.writeInt8(Math.max(-127, Math.min(127, Math.round(v[i] / length / scale))), at + 4 + i)
    at += 4 + size
  }
  return out
}

/** The direction in which the vectors differ most, by power iteration. */
function direction(vectors, size) {
  const products = Array.from({ length: size }, () => new Float64Array(size))
  for (const v of vectors) for (let i = 0; i < size; i++) for (let j = 0; j <= i; j++) products[i][j] += v[i] * v[j]
  for (let i = 0; i < size; i++) for (let j = i + 1; j < size; j++) products[i][j] = products[j][i]
  let d = new Float64Array(size).fill(1)
  for (let round = 0; round < 100; round++) {
    const next = products.map((row) => row.reduce((sum, x, i) => sum + x * d[i], 0))
    const length = Math.sqrt(next.reduce((sum, x) => sum + x * x, 0)) || 1
    d = Float64Array.from(next, (x) => x / length)
  }
  return d
}

function without(vectors, d) {
  for (const v of vectors) {
    const share = v.reduce((sum, x, i) => sum + x * d[i], 0)
    for (let i = 0; i < v.length; i++) v[i] -= share * d[i]
  }
}
