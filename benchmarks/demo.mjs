// Word error rate of the seeded demonstration transcripts against what was spoken.
import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { readLecture, spoken } from '../demo/lecture-text.mjs'
import { root, table, wordErrors } from './common.mjs'
import { withFigures } from './speech/heard.mjs'

const sums = { wrong: 0, words: 0 }
const rows = readdirSync(join(root, 'demo/transcripts')).sort().map((file) => {
  const text = spoken(readLecture(readFileSync(join(root, 'demo/texts', file.replace('.json', '.txt')), 'utf8')))
  const { passages, language } = JSON.parse(readFileSync(join(root, 'demo/transcripts', file), 'utf8'))
  const { wrong, words } = wordErrors(language === 'en' ? withFigures(text) : text, passages.map((p) => p.text).join(' '))
  if (language !== 'en') return [`${file} (${language})`, words, wrong, `${((100 * wrong) / words).toFixed(1)} %`]
  sums.wrong += wrong
  sums.words += words
  return [file, words, wrong, `${((100 * wrong) / words).toFixed(1)} %`]
})
table(['lecture', 'words', 'wrong', 'word error rate'], [...rows, ['all in English', sums.words, sums.wrong, `${((100 * sums.wrong) / sums.words).toFixed(1)} %`]])
