// Measurements of the recogniser. Usage: speech.mjs demo [NAME…]|texts|hard|unsure|starts|terms|silence|languages|hour|speakers|speakers-fresh|speakers-hard|one-voice|odd-talks|live|mismatch
import { demo, hard, hour, texts } from './speech/rates.mjs'
import { languages, silence } from './speech/silence.mjs'
import { live } from './speech/live.mjs'
import { mismatch } from './speech/mismatch.mjs'
import { freshSpeakers, hardSpeakers, oddTalks, oneVoice, speakers } from './speech/speakers.mjs'
import { wordStarts } from './speech/starts.mjs'
import { terms } from './speech/terms.mjs'
import { unsure } from './speech/unsure.mjs'

const [what = 'demo', ...rest] = process.argv.slice(2)
const measurements = { demo: () => demo(rest), texts, hard, unsure, starts: wordStarts, terms: () => terms(...rest), silence, languages, hour, speakers: () => speakers(), 'speakers-fresh': freshSpeakers, 'speakers-hard': hardSpeakers, 'one-voice': oneVoice, 'odd-talks': oddTalks, live, mismatch }
if (!measurements[what]) {
  console.error(`Usage: ./kostel bench speech ${Object.keys(measurements).join('|')}`)
  process.exit(2)
}
measurements[what]()
