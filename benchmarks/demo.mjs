// Word error rate of the seeded demonstration transcripts against what was spoken.
import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { readLecture, spoken } from '../demo/lecture-text.mjs'
import { root, table, wordErrors } from './common.mjs'
import { withFigures } from './speech/heard.mjs'

const sums = { wrong: 0, words: 0 }
const rows = readdirSync(join(root, 'demo/transcripts')).sort().map((file) => {
  const said = withFigures(spoken(readLecture(readFileSync(join(root, 'demo/texts', file.replace('.json', '.txt')), 'utf8'))))
  const heard = JSON.parse(readFileSync(join(root, 'demo/transcripts', file), 'utf8')).passages.map((p) => p.text).join(' ')
  const { wrong, words } = wordErrors(said, heard)
  sums.wrong += wrong
  sums.words += words
  return [file, words, wrong, `${((100 * wrong) / words).toFixed(1)} %`]
})
table(['lecture', 'words', 'wrong', 'word error rate'], [...rows, ['all', sums.words, sums.wrong, `${((100 * sums.wrong) / sums.words).toFixed(1)} %`]])
