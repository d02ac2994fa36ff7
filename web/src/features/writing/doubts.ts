import type { SentenceDoubt } from '@/api/client'

const names: Record<SentenceDoubt['kind'], string> = {
  noPassage: 'it names no passage that was sent',
  number: 'a number that is not said there',
  unit: 'the number is said there of another unit',
  name: 'a name that is not said there',
  negation: 'the contrary is said there',
  quantity: 'more, or less, is said there: all, most, few, never',
  exchanged: 'two things changed places',
  notSaid: 'nothing there bears out',
}

/** Why a sentence is set apart, in words. */
export const whyOf = (doubts: readonly SentenceDoubt[]) =>
  doubts
    .map((d) => (d.words.length ? `${names[d.kind]}: ${d.words.map((w) => `“${w}”`).join(', ')}` : names[d.kind]))
    .join('; ')
