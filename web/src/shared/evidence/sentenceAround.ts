/** A part of a quote, widened to the whole sentence in which it stands. */
export function sentenceAround(quote: string, part: { from: number; to: number }) {
  const last = Math.max(part.from, part.to - 1)
  const before = [...quote.slice(0, part.from).matchAll(/[.!?…]\s+/g)].at(-1)
  const behind = /[.!?…](?=\s|$)/.exec(quote.slice(last))
  return { from: before ? before.index + before[0].length : 0, to: behind ? last + behind.index + 1 : quote.length }
}
