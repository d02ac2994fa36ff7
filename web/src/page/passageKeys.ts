import { caretOffset, isOnEdgeLine, type Way } from './caret'
import { plain, shownWordAt, wordsBefore, type TextLayout } from './text'

export type PassageKey =
  | { does: 'step'; way: 'undo' | 'redo' }
  | { does: 'hear'; word: number }
  | { does: 'boundary'; words: number }
  | { does: 'split'; atWord: number }
  | { does: 'join'; way: 'before' | 'after' }
  | { does: 'move'; way: Way }
  | { does: 'leave' }

/** What a key means in a passage that is typed in; null for what the browser does with it. */
export function passageKey(event: KeyboardEvent, paragraph: HTMLElement, layout: TextLayout): PassageKey | null {
  const at = caretOffset(paragraph) ?? 0
  const text = paragraph.textContent ?? ''
  const isAlone = getSelection()?.isCollapsed ?? true
  const word = wordsBefore(text, at)
  const isAtEnd = at === text.length
  if (event.ctrlKey || event.metaKey) {
    const letter = event.key.toLowerCase()
    if (letter === 'z' || letter === 'y')
      return { does: 'step', way: letter === 'y' || event.shiftKey ? 'redo' : 'undo' }
    return event.key === 'Enter' ? { does: 'hear', word: shownWordAt(layout, at) } : null
  }
  if (event.altKey) {
    if (event.key === 'ArrowUp') return { does: 'boundary', words: word }
    return event.key === 'ArrowDown' ? { does: 'boundary', words: -(plain(text).split(' ').length - word) } : null
  }
  if (event.key === 'Enter') return event.isComposing ? null : { does: 'split', atWord: word }
  if (event.key === 'Escape') return { does: 'leave' }
  if (event.key === 'Backspace') return isAlone && at === 0 ? { does: 'join', way: 'before' } : null
  if (event.key === 'Delete') return isAlone && isAtEnd ? { does: 'join', way: 'after' } : null
  if (event.shiftKey) return null
  if (event.key === 'ArrowLeft') return at === 0 && isAlone ? { does: 'move', way: 'left' } : null
  if (event.key === 'ArrowRight') return isAtEnd && isAlone ? { does: 'move', way: 'right' } : null
  if (event.key === 'ArrowUp') return isOnEdgeLine(paragraph, 'up') ? { does: 'move', way: 'up' } : null
  if (event.key === 'ArrowDown') return isOnEdgeLine(paragraph, 'down') ? { does: 'move', way: 'down' } : null
  return null
}
