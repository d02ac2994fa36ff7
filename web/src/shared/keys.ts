import { onKeyStroke } from '@vueuse/core'

/** Every key of Kostel, in one place: the sheet shows this list. */
export const keySheet: { place: string; keys: [string, string][] }[] = [
  {
    place: 'Everywhere',
    keys: [
      ['F', 'Search (Ctrl Shift F too)'],
      ['a', 'Ask: the lecture, the course or everything'],
      ['R', 'Record'],
      ['Alt S', 'In a field: speak instead of typing'],
      ['?', 'This sheet'],
      ['Esc', 'Close what is open'],
    ],
  },
  {
    place: 'While recording',
    keys: [
      ['Space', 'Pause, go on'],
      ['k  w', 'Mark as key, as unclear'],
      ['y', 'Lost the thread: the last minutes'],
      ['i', 'A picture at this moment'],
    ],
  },
  {
    place: 'A lecture',
    keys: [
      ['Space', 'Play or pause'],
      ['b  n', 'A sentence back, forward'],
      ['v  m', 'A passage back, forward'],
      ['B  N', 'A chapter back, forward'],
      ['s  f', 'Slower, faster'],
      ['z', 'Pass over silence'],
      ['l', 'Play what is selected again and again'],
      ['g', 'Go to what is being said'],
      ['← →', 'On the stave: back, forward (with Shift: select)'],
      ['+  -  0', 'On the stave: closer, less close, the whole'],
    ],
  },
  {
    place: 'Its text',
    keys: [
      ['e', 'Type at the word that is played'],
      ['d', 'Check the doubtful words'],
      ['/', 'Find (Ctrl F too)'],
      ['Ctrl Z  Y', 'Undo, redo'],
      ['k  x', 'Mark as key, for the exam'],
      ['w  t', 'Mark as unclear, write a note'],
      ['o', 'Take away'],
      ['u  h  c  q  M', 'Summary, sheets, cards, quiz, marks'],
      ['j  p', 'Subject, listening plan'],
      ['Alt ↑  ↓', 'In a chapter’s title: begin it a passage earlier, later'],
    ],
  },
  {
    place: 'While typing',
    keys: [
      ['Enter', 'Split the passage here'],
      ['Backspace', 'At its beginning: join to the one before'],
      ['Alt ↑', 'Words before the caret to the passage above'],
      ['Alt ↓', 'Words after it to the passage below'],
      ['Alt k x w t l', 'Mark what is selected, or play it again and again'],
      ['Ctrl Enter', 'Hear from this word, or pause'],
      ['Esc', 'Stop typing'],
    ],
  },
  {
    place: 'Review',
    keys: [
      ['Space', 'Show the answer'],
      ['1 2 3 4', 'Forgot, hard-won, recalled, at once'],
      ['l', 'Listen to the source'],
      ['u', 'Take the last grade back'],
    ],
  },
]

/** Whether keys are for typing at this moment, or for a button that has them. */
export function isTyping(event: Event): boolean {
  const target = event.target instanceof Element ? event.target : null
  return Boolean(
    target?.closest(
      'input, textarea, select, [contenteditable=plaintext-only], [contenteditable=true], [role=dialog], [role=listbox], [role=menu]',
    ),
  )
}

/** Calls back for a key while nothing is being typed. Space on a button is that button's. */
export function onKey(key: string, action: () => void) {
  onKeyStroke(key, (event) => {
    const onButton = key === ' ' && (event.target as HTMLElement | null)?.closest('button, a, [role=button]')
    if (isTyping(event) || onButton || event.ctrlKey || event.metaKey || event.altKey) return
    event.preventDefault()
    action()
  })
}
