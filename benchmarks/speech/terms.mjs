// Ten rare terms with and without their list; lists of 200 and 2,000 terms that are not said.
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { root, table } from '../common.mjs'
import { bare, compared, errors, hear } from './heard.mjs'
import { sound, textOf, voices } from './sounds.mjs'

/** Texts that are full of rare terms, and their lists; the second was written after the first had been used for the choices. */
const lists = {
  glaciers: ['cirque', 'firn', 'nunatak', 'ablation', 'moulin', 'moraine', 'drumlin', 'esker', 'kame', 'varve'],
  volcanoes: ['caldera', 'fumarole', 'tephra', 'lapilli', 'ignimbrite', 'lahar', 'maar', 'obsidian', 'pumice', 'pahoehoe'],
}
const list = (name, terms) => {
  const path = join(root, '.kostel/bench', `${name}.txt`)
  writeFileSync(path, terms.join('\n'))
  return path
}

/** Words that none of the texts holds, evenly from a pronouncing dictionary. */
function strangers(count) {
  const path = '/usr/share/pocketsphinx/model/en-us/cmudict-en-us.dict'
  if (!existsSync(path)) throw new Error('This needs Debian\'s pocketsphinx-en-us.')
  const said = new Set(['bread', 'bridges', 'bees', ...Object.keys(lists)].flatMap((n) => bare(textOf(n).split(/\s+/)).map((w) => w.text)))
  const words = [...new Set(readFileSync(path, 'utf8').split('\n').map((l) => l.split(' ')[0]).filter((w) => /^[a-z]{6,}$/.test(w) && !said.has(w)))]
  return Array.from({ length: count }, (_, i) => words[Math.floor((i * words.length) / count)])
}

/** How much of a text's terms is right, with and without its list, and whether they appear where nobody says them. */
function rare(text) {
  const listed = list(text, lists[text])
  const files = voices.map((v) => sound(text, v))
  const others = ['bread', 'bees'].flatMap((n) => voices.map((v) => sound(n, v)))
  const isRare = (w) => lists[text].some((r) => w === r || w === `${r}s`)
  const said = bare(textOf(text).split(/\s+/)).filter((w) => isRare(w.text)).length * voices.length
  return ['fast', 'accurate'].flatMap((way) => [way, `${way}+${listed}`].map((w) => {
    const heard = hear([w], files).flatMap((h) => compared(textOf(text), h.words))
    const right = heard.filter(([s, x]) => s && isRare(s.text) && (x?.text === s.text)).length
    const rest = errors(heard.filter(([s]) => !s || !isRare(s.text)))
    const inserted = heard.filter(([s, x]) => x && isRare(x.text) && s?.text !== x.text && !isRare(s?.text ?? '')).map(([, x]) => x.text)
    const elsewhere = hear([w], others).flatMap((h) => bare(h.words.map((x) => x.text))).filter((x) => isRare(x.text)).map((x) => x.text)
    return [text, way, w === way ? 'none' : 'the ten', `${right} of ${said} (${((100 * right) / said).toFixed(0)} %)`, `${((100 * rest.wrong) / rest.words).toFixed(1)} %`, inserted.join(' ') || '–', elsewhere.join(' ') || '–']
  }))
}

export function terms(only) {
  if (only !== 'lists') table(['text', 'setting', 'list', 'terms right', 'other words wrong', 'put in wrongly', 'in six recordings without them'], Object.keys(lists).flatMap(rare))
  console.log()
  const strange = [['none', null], ['200', list('200', strangers(200))], ['2,000', list('2000', strangers(2000))]]
  const files = voices.map((v) => sound('bread', v))
  table(
    ['setting', 'terms, none said', 'words wrong', 'seconds', 'times as long as without'],
    ['fast', 'accurate'].flatMap((way) => {
      const ways = strange.map(([, path]) => (path ? `${way}+${path}` : way))
      // Three rounds, the best of each: other work on the machine only ever makes a round longer.
      const heard = hear([...ways, ...ways, ...ways], files)
      const best = (w) => files.reduce((a, f) => a + Math.min(...heard.filter((h) => h.way === w && h.file === f).map((h) => h.seconds)), 0)
      return strange.map(([label], i) => {
        const { wrong, words } = errors(files.flatMap((f) => compared(textOf('bread'), heard.find((h) => h.way === ways[i] && h.file === f).words)))
        return [way, label, `${((100 * wrong) / words).toFixed(1)} %`, best(ways[i]).toFixed(1), (best(ways[i]) / best(way)).toFixed(2)]
      })
    }),
  )
}
