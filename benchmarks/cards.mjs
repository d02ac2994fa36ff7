// Prints the cards and the quiz made from seeded demonstration transcripts, for reading. Usage: cards.mjs [NAME…]
import { join } from 'node:path'
import { kostel, root } from './common.mjs'

const names = process.argv.slice(2)
for (const name of names.length ? names : ['01-why-tides', '04-tidal-streams', '06-soil-water']) {
  const file = join(root, 'demo/transcripts', `${name}.json`)
  console.log(`\n## ${name}\n`)
  kostel('cards', file).trim().split('\n').forEach((line, i) => {
    const [front, back, at] = line.split('\t')
    console.log(`${i + 1}. ${front}\n   ${back} (${at})`)
  })
  console.log(`\n${kostel('quiz', file)}`)
}
