/** Words that were typed and are not stored yet, kept in this tab across a reload or a crash of it. */
export interface TypedWords {
  passageId: string
  /** What the passage read when the typing began. */
  expected: string
  text: string
}

const prefix = 'kostel-typed:'
const place = (lectureId: string, passageId: string) => `${prefix}${lectureId}:${passageId}`

/** Keeps what is being typed until it is stored. */
export function keepTyped(lectureId: string, words: TypedWords) {
  try {
    sessionStorage.setItem(place(lectureId, words.passageId), JSON.stringify(words))
  } catch {
    // Without room for it, the words are still sent when the page goes.
  }
}

export const forgetTyped = (lectureId: string, passageId: string) =>
  sessionStorage.removeItem(place(lectureId, passageId))

/** What was typed in a lecture and never stored. */
export function typedBefore(lectureId: string): TypedWords[] {
  return Object.keys(sessionStorage)
    .filter((key) => key.startsWith(`${prefix}${lectureId}:`))
    .map((key) => JSON.parse(sessionStorage.getItem(key) ?? 'null') as TypedWords | null)
    .filter((words) => words !== null)
}

/** Sends words as the page goes: the browser finishes such a request after the page has gone. */
export function sendTyped(lectureId: string, words: TypedWords) {
  void fetch(`/api/lectures/${lectureId}/edits`, {
    method: 'POST',
    keepalive: true,
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ edit: { kind: 'rewrite', ...words } }),
  }).catch(() => undefined)
}
