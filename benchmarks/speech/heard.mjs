// What the recogniser makes of recordings, and how that compares with what was said.
import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import { root } from '../common.mjs'

const program = join(root, 'benchmarks/Kostel.Benchmarks/bin/Release/net10.0/Kostel.Benchmarks.dll')

/** @returns {{way: string, file: string, seconds: number, processor: number, sound: number, words: {text: string, start: number, end: number, confidence: number}[]}[]} */
export const hear = (ways, files) =>
  execFileSync('dotnet', [program, ways.join(','), ...files], { encoding: 'utf8', maxBuffer: 1 << 28 }).trim().split('\n').map((l) => JSON.parse(l))

/** A text with its numbers in figures, as a transcript has them. */
export const withFigures = (text) => execFileSync('dotnet', [program, 'write'], { encoding: 'utf8', input: text })

/** A text's words, each with the place of the written word it comes from: lower case, no punctuation, hyphens divide. */
export const bare = (written) =>
  written.flatMap((w, at) => w.toLowerCase().replace(/[’]/g, "'").replace(/[^\p{L}\p{N}' ]+/gu, ' ').split(' ').map((t) => t.replace(/^'+|'+$/g, '')).filter(Boolean)
    .map((text) => ({ text: text === 'mr' ? 'mister' : text, at })))

/** The cheapest way from what was said to what was written: [said or null, written or null] pairs (Levenshtein). */
export function aligned(said, written) {
  const [a, b] = [said, written]
  const cost = Array.from({ length: a.length + 1 }, () => new Uint16Array(b.length + 1))
  for (let i = 0; i <= a.length; i++) cost[i][0] = i
  for (let j = 0; j <= b.length; j++) cost[0][j] = j
  for (let i = 1; i <= a.length; i++)
    for (let j = 1; j <= b.length; j++)
      cost[i][j] = Math.min(cost[i - 1][j - 1] + (a[i - 1].text === b[j - 1].text ? 0 : 1), cost[i - 1][j] + 1, cost[i][j - 1] + 1)
  const pairs = []
  for (let i = a.length, j = b.length; i > 0 || j > 0;) {
    if (i > 0 && j > 0 && cost[i][j] === cost[i - 1][j - 1] + (a[i - 1].text === b[j - 1].text ? 0 : 1)) pairs.push([a[--i], b[--j]])
    else if (i > 0 && cost[i][j] === cost[i - 1][j] + 1) pairs.push([a[--i], null])
    else pairs.push([null, b[--j]])
  }
  return pairs.reverse()
}

/** Pairs of what was said and what was written in a recording. */
export const compared = (text, words) => aligned(bare(text.split(/\s+/)), bare(words.map((w) => w.text)))

/** How many of the pairs are wrong, how many words were said. */
export const errors = (pairs) => ({
  wrong: pairs.filter(([s, w]) => s?.text !== w?.text).length,
  words: pairs.filter(([s]) => s).length,
})
