// The lecture texts: header lines "name: value", a blank line, then paragraphs; "---" stands between chapters,
// "[slide: title | line | …]" before what is said to it, "A:" or "B:" before what the first or second voice says.

/** @returns {{title: string, course: string, held: string, voice: string, blocks: {kind: 'slide'|'chapter'|'speech', text?: string, voice?: string}[]}} */
export function readLecture(text) {
  const [head, ...rest] = text.split('\n\n')
  const fields = Object.fromEntries(head.split('\n').map((l) => [l.slice(0, l.indexOf(':')), l.slice(l.indexOf(':') + 1).trim()]))
  const blocks = []
  for (const line of rest.join('\n\n').split('\n').map((l) => l.trim()).filter(Boolean)) {
    const slide = /^\[slide: (.*)\]$/.exec(line)
    const turn = /^([AB]): (.*)$/.exec(line)
    if (line === '---') blocks.push({ kind: 'chapter' })
    else if (slide) blocks.push({ kind: 'slide', text: slide[1] })
    else if (turn) blocks.push({ kind: 'speech', text: turn[2], voice: turn[1] === 'A' ? fields.voice : fields.voice2 })
    else blocks.push({ kind: 'speech', text: line, voice: fields.voice })
  }
  return { ...fields, blocks }
}

/** Only what is said. */
export const spoken = (lecture) => lecture.blocks.filter((b) => b.kind === 'speech').map((b) => b.text).join('\n')
