// Who speaks: diarisation error rates of conversations between synthesised voices, and how often one voice was taken for several.
import { execFileSync } from 'node:child_process'
import { copyFileSync, existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { kostel, root, table } from '../common.mjs'
import { conversation, conversations, freshConversations } from './conversations.mjs'
import { conditions, demonstration, sound, voices } from './sounds.mjs'

const program = join(root, 'benchmarks/Kostel.Benchmarks/bin/Release/net10.0/Kostel.Benchmarks.dll')
const percent = (share) => `${(100 * share).toFixed(1)} %`

/** What Kostel writes down of who speaks in a recording, compared with the record. */
function measured({ wav, rttm }, ...options) {
  const found = kostel('transcribe', wav, '--accuracy', 'fast', '--to', 'rttm', ...options)
  const file = wav.replace('.wav', '.found.rttm')
  writeFileSync(file, found)
  return { ...JSON.parse(execFileSync('dotnet', [program, 'der', rttm, file], { encoding: 'utf8' })), voices: names(found).size }
}

const names = (rttm) => new Set(rttm.trim().split('\n').filter(Boolean).map((l) => l.split(' ')[7]))
const row = (name, { missed, falseAlarm, confused, rate, voices: found }) => [name, found, percent(missed), percent(falseAlarm), percent(confused), percent(rate)]
const head = ['conversation', 'voices found', 'missed', 'false alarm', 'confused', 'error rate']

export function speakers(talks = conversations()) {
  const rows = []
  for (const talk of talks) rows.push([talk.voices.length, row(talk.voices.join(', '), measured(talk))])
  table(head, rows.map(([, r]) => r))
  for (const count of [2, 3, 5]) {
    const rates = rows.filter(([c]) => c === count).map(([, r]) => Number.parseFloat(r.at(-1)))
    console.log(`\n${count} voices: mean ${(rates.reduce((a, b) => a + b) / rates.length).toFixed(1)} %, worst ${Math.max(...rates)} %`)
  }
}

export const freshSpeakers = () => speakers(freshConversations())

/** The same conversations, heard worse, and with the number of voices given. */
export function hardSpeakers() {
  const rows = []
  for (const talk of conversations().filter((c) => /-1\.wav$/.test(c.wav))) {
    for (const [name, make] of Object.entries(conditions)) {
      if (!make || name === 'double speed') continue
      const wav = talk.wav.replace('.wav', `-${name.replace(/\W+/g, '-')}.wav`)
      if (!existsSync(wav)) make(talk.wav, wav)
      copyFileSync(talk.rttm, wav.replace('.wav', '.rttm'))
      const heard = { ...talk, wav }
      rows.push(row(`${talk.voices.length} voices, ${name}`, measured(heard)), row('… their number given', measured(heard, '--voices', String(talk.voices.length))))
    }
  }
  table(head, rows)
}

/** Recordings by one voice: how many voices are found. */
export function oneVoice() {
  const files = [
    ...['bread', 'bridges', 'volcanoes'].flatMap((text) => voices.flatMap((voice) => Object.keys(conditions).map((condition) => ({ name: condition, file: sound(text, voice, condition) })))),
    ...demonstration().filter((m) => !m.name.startsWith('08')).map(({ file }) => ({ name: 'lecture of the demonstration', file })),
    ...['slt', 'rms'].map((voice, i) => ({ name: 'an hour', file: conversation(`one-${voice}`, [voice], 70 + i, { seconds: 3600 }).wav })),
  ]
  const found = new Map()
  for (const { name, file } of files) {
    const count = names(kostel('transcribe', file, '--accuracy', 'fast', '--to', 'rttm')).size
    found.set(name, [...(found.get(name) ?? []), count])
  }
  table(['one voice', 'recordings', 'taken for one', 'for more'], [...found].map(([name, counts]) => [name, counts.length, counts.filter((c) => c <= 1).length, counts.filter((c) => c > 1).length]))
}

/** Sound that makes no sense to divide: what is found is printed, not rated. */
export function oddTalks() {
  const pieces = ['slt', 'rms', 'awb', 'kal16'].map((v, i) => conversation(`crowd-${v}`, [v], 80 + i, { seconds: 60 }).wav)
  const crowd = pieces[0].replace('crowd-slt', 'crowd')
  if (!existsSync(crowd)) execFileSync('ffmpeg', ['-v', 'error', '-y', ...[...pieces, conversation('crowd-f3', ['en-us+f3'], 84, { seconds: 60 }).wav].flatMap((p) => ['-i', p]), '-filter_complex', 'amix=inputs=5:duration=shortest:normalize=1', crowd])
  const alone = sound('bread', 'rms')
  const imitated = alone.replace('.wav', '-imitated.wav')
  if (!existsSync(imitated)) execFileSync('ffmpeg', ['-v', 'error', '-y', '-i', alone, '-filter_complex', "[0]asplit[a][b];[a]atrim=0:60,asetpts=PTS-STARTPTS[x];[b]atrim=60,asetpts=PTS-STARTPTS,asetrate=16000*1.18,aresample=16000,atempo=1/1.18[y];[x][y]concat=n=2:v=0:a=1", '-ar', '16000', imitated])
  const three = alone.replace('.wav', '-three-words.wav')
  if (!existsSync(three)) {
    const words = three.replace('.wav', '.part.wav')
    execFileSync('flite', ['-voice', 'slt', '-t', 'Yes, quite so.', '-o', words])
    execFileSync('ffmpeg', ['-v', 'error', '-y', '-i', alone, '-i', words, '-filter_complex', '[0]asplit[a][b];[a]atrim=0:60,asetpts=PTS-STARTPTS[x];[b]atrim=60,asetpts=PTS-STARTPTS[y];[x][1][y]concat=n=3:v=0:a=1', '-ar', '16000', three])
  }
  table(['sound', 'voices found', 'turns'], Object.entries({ 'five people at once, a minute': crowd, 'one person, who speaks as another from the second minute on': imitated, 'a second voice that says three words': three })
    .map(([name, file]) => {
      const found = kostel('transcribe', file, '--accuracy', 'fast', '--to', 'rttm')
      return [name, names(found).size, found.trim().split('\n').filter(Boolean).length]
    }))
}
