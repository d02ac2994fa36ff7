import { between } from '@/shared/units'

/** The text of a passage as it is shown, and where its words stand in it. */
export interface TextLayout {
  /** Words divided by one sign each: a space, or one at which a line does not break. */
  text: string
  /** For each shown word its index in the whole passage. */
  words: readonly number[]
  /** For each shown word where it begins in the text… */
  from: readonly number[]
  /** …and where it ends. */
  to: readonly number[]
}

/** Lays out a passage, without the words that are hidden. */
export function layOut(text: string, hidden: readonly number[] = []): TextLayout {
  const all = text.length ? text.split(' ') : []
  const gone = new Set(hidden)
  const words: number[] = []
  const from: number[] = []
  const to: number[] = []
  let shown = ''
  all.forEach((word, i) => {
    if (gone.has(i)) return
    const last = words.at(-1)
    if (last !== undefined) shown += between(all[last] ?? '', word)
    from.push(shown.length)
    shown += word
    to.push(shown.length)
    words.push(i)
  })
  return { text: shown, words, from, to }
}

/** Text that was typed, with its words divided by single spaces. */
export const plain = (text: string) => text.replace(/\s+/gu, ' ').trim()

/** Where two wordings part and where they come together again, in whole words. */
export function parting(one: string, other: string): { before: string; one: string; other: string; after: string } {
  const [a, b] = [one.split(' '), other.split(' ')]
  const shorter = Math.min(a.length, b.length)
  let head = 0
  while (head < shorter && a[head] === b[head]) head++
  let tail = 0
  while (tail < shorter - head && a.at(-1 - tail) === b.at(-1 - tail)) tail++
  const middle = (words: string[]) => words.slice(head, words.length - tail).join(' ')
  return {
    before: a.slice(0, head).join(' '),
    one: middle(a),
    other: middle(b),
    after: a.slice(a.length - tail).join(' '),
  }
}

/** How many words begin before a place in a text: the word that a new passage would begin with. */
export function wordsBefore(text: string, offset: number): number {
  const before = plain(text.slice(0, offset))
  if (!before) return 0
  const count = before.split(' ').length
  return offset < text.length && /\S/u.test(text[offset] ?? '') && /\S$/u.test(text.slice(0, offset))
    ? count - 1
    : count
}

/** Index among the shown words of the one at a place; the nearest before it between two. */
export function shownWordAt(layout: TextLayout, offset: number): number {
  let found = 0
  layout.from.forEach((start, i) => {
    if (start <= offset) found = i
  })
  return found
}

const fold = (text: string) =>
  text
    .normalize('NFD')
    .replace(/\p{Diacritic}/gu, '')
    .toLocaleLowerCase()

/** Where a text stands in another, without regard to capitals and accents, as [from, to] in the text itself. */
export function occurrences(text: string, wanted: string): [number, number][] {
  const needle = fold(wanted).replace(/\u00a0/gu, ' ')
  if (!needle.trim()) return []
  const found: [number, number][] = []
  // Folding changes lengths only where a letter is written with a sign of its own; then each letter is folded alone.
  let hay = fold(text).replace(/\u00a0/gu, ' ')
  if (hay.length !== text.length)
    hay = [...text].map((c) => (fold(c) || c).slice(0, c.length).padEnd(c.length)).join('')
  for (let at = hay.indexOf(needle); at >= 0; at = hay.indexOf(needle, at + needle.length)) {
    found.push([at, at + needle.length])
  }
  return found
}
