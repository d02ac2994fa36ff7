import type { Word } from '@/api/client'

/** A run of words between two rests. */
export interface HeardPart {
  startMs: number
  text: string
}

const restMs = 1500
const longest = 70

/** Words in parts that can be read: a new one after a rest, or where one is long and a sentence ends. */
export function parts(words: readonly Word[]): HeardPart[] {
  const found: HeardPart[] = []
  let count = 0
  words.forEach((w, i) => {
    const before = words[i - 1]
    const isNew = !before || w.startMs - before.endMs > restMs || (count > longest && /[.?!]$/.test(before.text))
    count = isNew ? 1 : count + 1
    if (isNew) found.push({ startMs: w.startMs, text: w.text })
    else found.at(-1)!.text += ` ${w.text}`
  })
  return found
}
