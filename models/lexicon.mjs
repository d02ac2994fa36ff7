// Turns WordNet, as its package has it, into a small list of what kinds of word a word can be: for each single word of small
// letters how often it was counted as noun, verb, adjective and adverb in the texts that WordNet's makers tagged, plus one for
// each kind that it has at all. One word a line: word noun verb adjective adverb.
import { Writable } from 'node:stream'

const kinds = { 1: 0, 2: 1, 3: 2, 4: 3, 5: 2 }

/** A stream to write `dict/index.sense` to; `bytes()` is the list, once it has been written whole. */
export function converter() {
  const words = new Map()
  let rest = ''
  const take = (line) => {
    const [key, , , counted] = line.split(' ')
    const [word, sense] = key.split('%')
    const kind = kinds[sense?.[0]]
    if (kind === undefined || !/^[a-z]+(?:-[a-z]+)*$/.test(word)) return
    const counts = words.get(word) ?? words.set(word, [0, 0, 0, 0]).get(word)
    counts[kind] += (counts[kind] ? 0 : 1) + Number(counted)
  }
  const sink = new Writable({
    write(chunk, _, done) {
      const lines = (rest + chunk.toString('latin1')).split('\n')
      rest = lines.pop()
      lines.forEach(take)
      done()
    },
  })
  return {
    sink,
    bytes() {
      if (words.size === 0) throw new Error('there are no words in it')
      const lines = [...words].sort(([a], [b]) => (a < b ? -1 : 1)).map(([word, counts]) => `${word} ${counts.join(' ')}\n`)
      return Buffer.from(lines.join(''))
    },
  }
}
