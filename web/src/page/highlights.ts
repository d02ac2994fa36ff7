/** Names of what is marked in the text. Each has its look in highlights.css. */
/** Which doubtful words are underlined: none, those that are likely wrong, or all. */
export type DoubtsShown = 'none' | 'few' | 'all'

export type HighlightName = 'unsure' | 'guessed' | 'spoken' | 'found' | 'found-here' | 'marked' | 'unclear' | 'checked'

// The words of a passage are one text node: marks are ranges over it, so that a long lecture stays light and can be typed in.
const isSupported = typeof CSS !== 'undefined' && 'highlights' in CSS

function highlight(name: HighlightName): Highlight | null {
  if (!isSupported) return null
  let found = CSS.highlights.get(name)
  if (!found) {
    found = new Highlight()
    found.priority = name === 'spoken' ? 3 : name === 'found-here' ? 2 : name === 'checked' ? 2 : 0
    CSS.highlights.set(name, found)
  }
  return found
}

/** Ranges of one owner in one highlight, replaced together. */
export function useRanges(name: HighlightName) {
  let own: Range[] = []
  function set(ranges: Range[]) {
    const target = highlight(name)
    if (!target) return
    for (const r of own) target.delete(r)
    own = ranges
    for (const r of own) target.add(r)
  }
  return { set, clear: () => set([]) }
}

/** A range over part of an element's text; null where the text is shorter. */
export function rangeIn(element: Element | null | undefined, from: number, to: number): Range | null {
  const node = element?.firstChild
  if (!(node instanceof Text) || to > node.length || from >= to) return null
  const range = document.createRange()
  range.setStart(node, from)
  range.setEnd(node, to)
  return range
}
