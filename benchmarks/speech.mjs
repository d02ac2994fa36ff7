// Measurements of the recogniser. Usage: speech.mjs demo [NAME…]|texts|hard
import { demo, hard, texts } from './speech/rates.mjs'

const [what = 'demo', ...rest] = process.argv.slice(2)
const measurements = { demo: () => demo(rest), texts, hard }
if (!measurements[what]) {
  console.error(`Usage: ./kostel bench speech ${Object.keys(measurements).join('|')}`)
  process.exit(2)
}
measurements[what]()
