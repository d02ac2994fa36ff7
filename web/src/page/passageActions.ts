import type { Mark, Passage } from '@/api/client'
import type { Way } from './caret'
import type { Row } from './usePassages'

/** What can be done in a passage; said to the page that holds it. */
export interface PassageActions {
  attach: (id: string, row: Row | null) => void
  hear: (passage: Passage, word: number) => void
  word: (passage: Passage, word: number) => void
  name: (passage: Passage) => void
  menu: (passage: Passage, target: HTMLElement) => void
  mark: (mark: Mark) => void
  typing: (isTyping: boolean) => void
  save: (passage: Passage, expected: string, text: string) => Promise<boolean>
  split: (index: number, passage: Passage, atWord: number) => void
  join: (index: number, way: 'before' | 'after') => void
  boundary: (index: number, passage: Passage, words: number) => void
  leave: (before: string, after: string) => void
  move: (index: number, way: Way) => void
  step: (way: 'undo' | 'redo') => void
  entered: () => void
}
