/** Where the arrow keys lead from one passage to another. */
export type Way = 'up' | 'down' | 'left' | 'right'

/** The place of the caret in an element's text; null if it stands elsewhere. */
export function caretOffset(element: HTMLElement): number | null {
  const selection = getSelection()
  if (!selection?.focusNode || !element.contains(selection.focusNode)) return null
  if (selection.focusNode === element) return selection.focusOffset === 0 ? 0 : (element.textContent?.length ?? 0)
  const range = document.createRange()
  range.selectNodeContents(element)
  range.setEnd(selection.focusNode, selection.focusOffset)
  return range.toString().length
}

/** Puts the caret into an element's text. */
export function placeCaret(element: HTMLElement, offset: number) {
  const node = element.firstChild
  const range = document.createRange()
  if (node instanceof Text) range.setStart(node, Math.min(offset, node.length))
  else range.setStart(element, 0)
  range.collapse(true)
  const selection = getSelection()
  selection?.removeAllRanges()
  selection?.addRange(range)
}

/** Whether the caret stands on the first or the last line of an element. */
export function isOnEdgeLine(element: HTMLElement, way: 'up' | 'down'): boolean {
  const selection = getSelection()
  if (!selection?.rangeCount || !selection.isCollapsed) return false
  const caret = selection.getRangeAt(0).getClientRects()[0]
  const box = element.getBoundingClientRect()
  if (!caret) return true
  const line = caret.height || 20
  return way === 'up' ? caret.top - box.top < line * 0.75 : box.bottom - caret.bottom < line * 0.75
}
