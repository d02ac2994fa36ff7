import type { Mark, MarkKind } from '@/api/client'

/** How each kind of mark is called and drawn: a sign and a word, never a colour alone. */
export const markKinds: Record<MarkKind, { name: string; sign: string }> = {
  key: { name: 'Key', sign: '◆' },
  exam: { name: 'For the exam', sign: '▲' },
  unclear: { name: 'Unclear', sign: '?' },
  note: { name: 'Note', sign: '¶' },
  label: { name: 'Label', sign: '⌑' },
}

export const isOpen = (mark: Mark) => mark.kind === 'unclear' && mark.resolved === null

/** What a mark is called in lists and in the margin. */
export function markTitle(mark: Mark): string {
  if (mark.kind === 'label') return mark.text
  if (mark.kind === 'unclear' && mark.resolved !== null) return 'Was unclear'
  if (mark.hasPicture) return 'Picture'
  return markKinds[mark.kind].name
}
