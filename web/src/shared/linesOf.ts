/** Each line of a stream, as it comes. */
export async function* linesOf(stream: ReadableStream<Uint8Array>) {
  const reader = stream.getReader()
  const letters = new TextDecoder()
  let rest = ''
  for (;;) {
    const { done, value } = await reader.read()
    if (done) break
    const lines = (rest + letters.decode(value, { stream: true })).split('\n')
    rest = lines.pop() ?? ''
    yield* lines
  }
  if (rest) yield rest
}
