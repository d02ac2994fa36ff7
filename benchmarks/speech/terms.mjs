// Ten rare terms with and without their list; lists of 200 and 2,000 terms that are not said.
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { root, table } from '../common.mjs'
import { bare, compared, errors, hear } from './heard.mjs'
import { sound, textOf, voices } from './sounds.mjs'

const rare = ['cirque', 'firn', 'nunatak', 'ablation', 'moulin', 'moraine', 'drumlin', 'esker', 'kame', 'varve']
const list = (name, terms) => {
  const path = join(root, '.kostel/bench', `${name}.txt`)
  writeFileSync(path, terms.join('\n'))
  return path
}

/** Words that none of the texts holds, evenly from a pronouncing dictionary. */
function strangers(count) {
  const path = '/usr/share/pocketsphinx/model/en-us/cmudict-en-us.dict'
  if (!existsSync(path)) throw new Error('This needs Debian\'s pocketsphinx-en-us.')
  const said = new Set(['bread', 'bridges', 'bees', 'glaciers'].flatMap((n) => bare(textOf(n).split(/\s+/)).map((w) => w.text)))
  const words = [...new Set(readFileSync(path, 'utf8').split('\n').map((l) => l.split(' ')[0]).filter((w) => /^[a-z]{6,}$/.test(w) && !said.has(w)))]
  return Array.from({ length: count }, (_, i) => words[Math.floor((i * words.length) / count)])
}

export function terms() {
  const ten = list('ten', rare)
  const glaciers = voices.map((v) => sound('glaciers', v))
  const others = ['bread', 'bees'].flatMap((n) => voices.map((v) => ({ name: n, file: sound(n, v) })))
  const isRare = (w) => rare.some((r) => w === r || w === `${r}s`)
  const said = bare(textOf('glaciers').split(/\s+/)).filter((w) => isRare(w.text)).length * voices.length
  const rows = ['fast', 'accurate'].flatMap((way) => [way, `${way}+${ten}`].map((w) => {
    const heard = hear([w], glaciers).map((h) => compared(textOf('glaciers'), h.words))
    const right = heard.flat().filter(([s, x]) => s && isRare(s.text) && (x?.text === s.text)).length
    const rest = errors(heard.flat().filter(([s]) => !s || !isRare(s.text)))
    const inserted = hear([w], others.map((o) => o.file)).flatMap((h) => bare(h.words.map((x) => x.text))).filter((x) => isRare(x.text)).length
    return [way, w === way ? 'none' : 'the ten', `${right} of ${said} (${((100 * right) / said).toFixed(0)} %)`, `${((100 * rest.wrong) / rest.words).toFixed(1)} %`, inserted]
  }))
  table(['setting', 'list', 'terms right', 'other words wrong', 'inserted in lectures without them'], rows)
  console.log()
  const lists = [['none', null], ['200', list('200', strangers(200))], ['2,000', list('2000', strangers(2000))]]
  const files = others.filter((o) => o.name === 'bread')
  hear(['fast'], [files[0].file])
  table(
    ['setting', 'terms, none said', 'words wrong', 'seconds', 'times as long as without'],
    ['fast', 'accurate'].flatMap((way) => {
      let without = 0
      return lists.map(([label, path]) => {
        const heard = hear([path ? `${way}+${path}` : way], files.map((f) => f.file))
        const { wrong, words } = errors(heard.flatMap((h) => compared(textOf('bread'), h.words)))
        const seconds = heard.reduce((a, h) => a + h.seconds, 0)
        without ||= seconds
        return [way, label, `${((100 * wrong) / words).toFixed(1)} %`, seconds.toFixed(1), (seconds / without).toFixed(2)]
      })
    }),
  )
}
