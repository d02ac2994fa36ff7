// Word errors on the five clips of read speech in Debian's pocketsphinx-testdata, beside pocketsphinx with its own model.
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { kostel, table, wordErrors } from './common.mjs'

const clips = '/usr/share/pocketsphinx/test/data/librivox'
const model = '/usr/share/pocketsphinx/model/en-us'
const work = mkdtempSync(join(tmpdir(), 'kostel-clips-'))

function pocketsphinx(name) {
  const list = join(work, 'list')
  const out = join(work, 'out')
  writeFileSync(list, `${name}\n`)
  execFileSync('pocketsphinx_batch', ['-hmm', `${model}/en-us`, '-lm', `${model}/en-us.lm.bin`, '-dict', `${model}/cmudict-en-us.dict`, '-cepdir', clips, '-cepext', '.wav', '-adcin', 'yes', '-adchdr', '44', '-ctl', list, '-hyp', out], { stdio: 'ignore' })
  return readFileSync(out, 'utf8').replace(/\(.*\)\s*$/, '')
}

const rows = []
const sums = [0, 0, 0]
for (const line of readFileSync(join(clips, 'transcription'), 'utf8').trim().split('\n')) {
  const [, said, name] = /^<s>(.*)<\/s> \((.*)\)$/.exec(line)
  const heard = JSON.parse(kostel('transcribe', join(clips, `${name}.wav`), '--to', 'json')).passages.map((p) => p.text).join(' ')
  const ours = wordErrors(said, heard)
  const theirs = wordErrors(said, pocketsphinx(name))
  ;[ours.words, ours.wrong, theirs.wrong].forEach((n, i) => (sums[i] += n))
  rows.push([name.slice(-4), ours.words, ours.wrong, theirs.wrong, heard])
}
rows.push(['all', ...sums, `${((100 * sums[1]) / sums[0]).toFixed(1)} % against ${((100 * sums[2]) / sums[0]).toFixed(1)} %`])
table(['clip', 'words', 'wrong', 'wrong, pocketsphinx', 'Kostel wrote'], rows)
