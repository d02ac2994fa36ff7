/** What the desk can be opened for, one at a time. */
export const deskWorks = {
  ask: 'Ask',
  summary: 'Summary',
  cards: 'Cards',
  quiz: 'Quiz',
  marks: 'Marks',
  changes: 'Changes',
} as const

export type DeskWork = keyof typeof deskWorks

export const isDeskWork = (name: unknown): name is DeskWork => typeof name === 'string' && name in deskWorks
