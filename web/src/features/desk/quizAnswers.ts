import type { Attempt, QuizQuestion } from '@/api/client'

export type Given = Attempt['answers'][number]['given']

/** An answer that is not begun. What is to be ordered stands as it is shown, which is none until it was moved. */
export const open = (): Given => ({ chosen: [], text: null })

/** Whether nothing was answered yet. */
export const isOpen = (a: Given) => !a.text?.trim() && a.chosen.every((c) => c < 0)

/** The order that is shown: the one that was given, or the question's own. */
export const ordered = (q: QuizQuestion, a: Given) => (a.chosen.length ? a.chosen : q.shown.map((_, i) => i))

/** The order after one thing was moved up (-1) or down (1). */
export function moved(order: number[], at: number, by: number): number[] {
  const to = at + by
  const [what, other] = [order[at], order[to]]
  if (what === undefined || other === undefined) return order
  return order.map((o, i) => (i === at ? other : i === to ? what : o))
}

/** One of several choices taken or left, in the order of the question. */
export const toggled = (chosen: number[], choice: number) =>
  chosen.includes(choice) ? chosen.filter((c) => c !== choice) : [...chosen, choice].sort((a, b) => a - b)

/** The partners after a thing was matched (-1 takes it back); a partner belongs to one thing. */
export const matched = (q: QuizQuestion, chosen: number[], item: number, side: number) =>
  q.shown.map((_, i) => (i === item ? side : chosen[i] === side ? -1 : (chosen[i] ?? -1)))

const asks: Record<string, string> = {
  several: 'Several are right.',
  gap: 'Fill the gap.',
  short: 'Answer in a few words.',
  number: 'Give the number with its unit.',
  order: 'Move them into their order.',
  match: 'Choose what belongs to each.',
}

/** What is to be done, where the question itself does not show it. */
export const toDo = (kind: string) => asks[kind] ?? ''

export const kinds: { kind: string; name: string }[] = [
  { kind: 'choice', name: 'Choice' },
  { kind: 'several', name: 'Several right' },
  { kind: 'gap', name: 'Gap' },
  { kind: 'short', name: 'Short answer' },
  { kind: 'number', name: 'Number' },
  { kind: 'order', name: 'Order' },
  { kind: 'match', name: 'Match' },
]
