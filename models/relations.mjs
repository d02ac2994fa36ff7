// Turns WordNet, as its package has it, into a list of what words mean the same and what is a kind of what: a line for each meaning
// that some word has among its first three, `words|broader|related`, words with spaces as underscores, the others as line numbers
// from 0. Broader: of what it is a kind, an instance, or what it entails; related: the same in another kind of word, or what it
// belongs to.
import { Writable } from 'node:stream'

const kindOf = { n: 1, v: 2, a: 3, r: 4, s: 5 }
const mostSenses = 3
const broaderSigns = new Set(['@', '@i', '*'])
const relatedSigns = new Set(['+', '\\', '<', '&', '='])
const kept = /^[a-z][a-z'_-]*$/

/** A stream to write `dict/index.sense` and the `dict/data.*` to, in any order; `bytes()` is the list, once they have been written whole. */
export function converter() {
  const senses = new Map()
  const meanings = new Map()
  let rest = ''
  const sense = ([, word, kind, , offset, number]) => Number(number) <= mostSenses && senses.set(`${kind === '5' ? '3' : kind}${offset} ${word}`, Number(number))
  const place = (kind, offset) => `${kind === 's' ? 3 : kindOf[kind]}${offset}`
  const meaning = (line) => {
    const [offset, , kind, count, ...more] = line.slice(0, line.indexOf(' | ')).split(' ')
    const many = parseInt(count, 16)
    const words = more.slice(0, 2 * many).filter((_, i) => i % 2 === 0).map((w) => w.replace(/\(.*\)$/, '').toLowerCase())
    const pointers = more.slice(2 * many + 1)
    const [broader, related] = [[], []]
    for (let i = 0; i + 3 < pointers.length; i += 4) {
      const to = place(pointers[i + 2], pointers[i + 1])
      if (broaderSigns.has(pointers[i])) broader.push(to)
      else if (relatedSigns.has(pointers[i])) related.push(to)
    }
    meanings.set(place(kind, offset), { words, broader, related: [...new Set(related)] })
  }
  const take = (line) => {
    const asSense = /^(\S+)%([1-5])(\S+) (\d{8}) (\d+) \d+$/.exec(line)
    if (asSense) sense(asSense)
    else if (/^\d{8} \d\d [nvasr] /.test(line)) meaning(line)
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
      for (const [key, m] of meanings) m.words = m.words.filter((w) => kept.test(w) && senses.has(`${key} ${w}`))
      const used = [...meanings].filter(([, m]) => m.words.length).sort(([a], [b]) => (a < b ? -1 : 1))
      if (used.length === 0) throw new Error('there are no meanings in it')
      const lineOf = new Map(used.map(([key], i) => [key, i]))
      const lines = (keys) => keys.map((k) => lineOf.get(k)).filter((n) => n !== undefined).join(' ')
      return Buffer.from(used.map(([, m]) => `${m.words.join(' ')}|${lines(m.broader)}|${lines(m.related)}\n`).join(''))
    },
  }
}
