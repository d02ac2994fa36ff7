/** A card from what is selected: some words are asked for in their sentence, whole sentences are to be gone on with. */
export function selectedCard(quote: string, passage: string): { front: string; back: string } {
  const words = quote.trim().replace(/[.,;:!?]+$/u, '')
  const sentence = (passage.match(/[^.!?]+(?:[.!?](?!\s|$)[^.!?]*)*[.!?]*/gu) ?? [])
    .find((s) => s.includes(words))
    ?.trim()
  if (
    sentence &&
    sentence.replace(/[.!?]+$/u, '') !== words &&
    sentence.split(/\s+/u).length > words.split(/\s+/u).length + 2
  )
    return { front: sentence.replace(words, '____'), back: `${words[0]?.toUpperCase() ?? ''}${words.slice(1)}.` }
  const all = quote.trim().split(/\s+/u)
  return {
    front: `${all.slice(0, Math.min(5, Math.ceil(all.length / 2))).join(' ')} … How does it go on?`,
    back: quote.trim(),
  }
}
