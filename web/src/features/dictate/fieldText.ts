/** A field that can be dictated into. */
export interface Field {
  readonly element: HTMLElement
  /** At whose lower right what belongs to dictating stands, where that is not above the field. */
  readonly beside?: HTMLElement
  /** What stands before and after the caret. */
  place(): Place
  /** Writes a text at a place, over what was written there before. */
  write(place: Place, text: string): void
}

/** What stands before and after the caret; what is selected is written over. */
export interface Place {
  before: string
  after: string
}

const known = new WeakMap<Element, Field>()

/** Makes an editor known as a field that can be dictated into. */
export const offerField = (element: Element, field: Field) => known.set(element, field)
export const forgetField = (element: Element) => known.delete(element)

/** The field that an event belongs to, where one can dictate into it. */
export function fieldOf(target: EventTarget | null): Field | null {
  if (!(target instanceof HTMLElement)) return null
  const isPlain =
    target instanceof HTMLTextAreaElement ||
    (target instanceof HTMLInputElement && target.dataset.dictate !== undefined)
  if (!isPlain) return known.get(target) ?? null
  if (target.readOnly || target.disabled) return null
  const field = known.get(target) ?? plainField(target)
  known.set(target, field)
  return field
}

/** A plain field; what is written there is told as if it had been typed. */
const plainField = (element: HTMLTextAreaElement | HTMLInputElement): Field => ({
  element,
  place: () => ({
    before: element.value.slice(0, element.selectionStart ?? element.value.length),
    after: element.value.slice(element.selectionEnd ?? element.value.length),
  }),
  write(place, text) {
    const { value, caret } = put(place, text)
    if (element.value === value) return
    element.value = value
    element.setSelectionRange(caret, caret)
    element.dispatchEvent(new Event('input', { bubbles: true }))
  },
})

/** A text put in at its place, so that words stand apart and a sentence goes on as one; and where the caret is then. */
export function put(place: Place, text: string): { value: string; caret: number } {
  const { before, after } = place
  // In the middle of a sentence nothing begins with a capital; "I" always does, and so does what is written in capitals.
  const goesOn = /[\p{L}\p{N},;–]\s*$/u.test(before)
  const first =
    goesOn && /^\p{Lu}[\p{Ll} ]/u.test(text) && !/^I\b/.test(text) ? text[0]!.toLowerCase() + text.slice(1) : text
  const lead = first && before && !/[\s(“¿¡]$/.test(before) && !/^[\n,.;:?!)”]/.test(first) ? ' ' : ''
  const tail = first && after && !/^[\s,.;:?!)”]/.test(after) && !first.endsWith('\n') ? ' ' : ''
  const start = before + lead + first
  return { value: start + tail + after, caret: start.length }
}
