const asking =
  /^(who|whom|whose|what|when|where|which|why|how|is|are|was|were|do|does|did|can|could|should|must|may|will|would|has|have)\b/iu

/** Whether what is typed asks something, rather than naming what to look for. */
export function isQuestion(text: string) {
  const words = text.trim().split(/\s+/u)
  return words.length >= 3 && (text.trim().endsWith('?') || asking.test(words[0] ?? ''))
}
