/** Words of a question that were taken for others: “infiltraton” as “infiltration”. */
export const understood = (meant: readonly { asked: string; meant: string }[]) =>
  meant.map((m) => `“${m.asked}” as “${m.meant}”`).join(', ')

/** The question with those words between quotation marks, where they are left as they are. */
export const literally = (question: string, meant: readonly { asked: string }[]) =>
  meant.reduce((text, m) => text.replace(m.asked, () => `“${m.asked}”`), question)
