/** A field that can be dictated into. */
export type Field = HTMLTextAreaElement | HTMLInputElement

/** What stands before and after the caret. */
export interface Place {
  before: string
  after: string
}

/** The field that an event belongs to, where one can dictate into it. */
export function fieldOf(target: EventTarget | null): Field | null {
  const isField =
    target instanceof HTMLTextAreaElement ||
    (target instanceof HTMLInputElement && target.dataset.dictate !== undefined)
  return isField && !target.readOnly && !target.disabled ? target : null
}

/** Where the caret is; what is selected is written over. */
export const placeOf = (field: Field): Place => ({
  before: field.value.slice(0, field.selectionStart ?? field.value.length),
  after: field.value.slice(field.selectionEnd ?? field.value.length),
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

/** Writes it as if it had been typed: whoever listens to the field hears of it. */
export function write(field: Field, place: Place, text: string) {
  const { value, caret } = put(place, text)
  if (field.value === value) return
  field.value = value
  field.setSelectionRange(caret, caret)
  field.dispatchEvent(new Event('input', { bubbles: true }))
}
