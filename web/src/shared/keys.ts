import { onKeyStroke } from '@vueuse/core'

/** Every key of Kostel, in one place: the sheet shows this list. */
export const keySheet: { place: string; keys: [string, string][] }[] = [
  {
    place: 'Everywhere',
    keys: [
      ['?', 'This sheet'],
      ['Esc', 'Close what is open'],
    ],
  },
  {
    place: 'A lecture',
    keys: [
      ['Space', 'Play or pause'],
      ['b  n', 'A sentence back, forward'],
      ['B  N', 'A chapter back, forward'],
      ['s  f', 'Slower, faster'],
      ['a', 'Ask'],
      ['u  c  q', 'Summary, cards, quiz'],
      ['← →', 'On the stave: five seconds back, forward'],
    ],
  },
  {
    place: 'Review',
    keys: [
      ['Space', 'Show the answer'],
      ['1 2 3 4', 'Forgot, hard-won, recalled, at once'],
      ['l', 'Listen to the source'],
    ],
  },
]

/** Whether keys are for typing at this moment, or for a button that has them. */
export function isTyping(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement | null
  return Boolean(
    target?.closest('input, textarea, select, [contenteditable=true], [role=dialog], [role=listbox], [role=menu]'),
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
