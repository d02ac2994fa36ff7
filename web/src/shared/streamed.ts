import { linesOf } from './linesOf'

/**
 * Sends a wish and gives what comes of it piece by piece, a line of JSON each.
 *
 * @param refused Is said where the server gave no reason.
 * @throws Error with the server's reason.
 */
export async function* streamed<P>(address: string, wish: object, signal: AbortSignal, refused: string) {
  const answer = await fetch(address, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(wish),
    signal,
  })
  if (!answer.ok || !answer.body) {
    const { detail } = (await answer.json().catch(() => ({}))) as { detail?: string }
    throw new Error(detail ?? refused)
  }
  for await (const line of linesOf(answer.body)) yield JSON.parse(line) as P
}
