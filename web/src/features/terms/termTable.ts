/** A list of terms as a table of two columns, divided by tabs: as it is written, and what it sounds like. */
export const toTable = (text: string) =>
  `term\tsounds like\n${text
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean)
    .map((l) => {
      const [written = '', ...sound] = l.split('=').map((p) => p.trim())
      return `${written}\t${sound.join(' ')}\n`
    })
    .join('')}`

/** The lines of a table that are not in the list yet, as the list has them; a heading is left out, and columns beyond the second. */
export function fromTable(table: string, text: string): string[] {
  const there = new Set(text.split('\n').map((l) => l.split('=')[0]?.trim().toLowerCase()))
  const lines: string[] = []
  for (const row of table.replace(/^\uFEFF/, '').split(/\r\n?|\n/)) {
    const [written = '', sound = ''] = row.split('\t').map((c) => c.trim().replace(/^"(.*)"$/, '$1'))
    const key = written.toLowerCase()
    if (!written || there.has(key) || (key === 'term' && /^sounds like$/i.test(sound))) continue
    there.add(key)
    lines.push(sound ? `${written} = ${sound}` : written)
  }
  return lines
}
