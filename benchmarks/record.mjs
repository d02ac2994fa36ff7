// What somebody in class sees: how soon words are there after they were spoken, and what "lost the thread" gives.
// Usage: record.mjs [pace|thread|long [HOURS]|dictation]. The texts are spoken by a synthesiser and sent to the server as the page sends them; meanwhile an ordinary
// transcription waits in the queue.
import { execFileSync, spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { root, table, wordErrors } from './common.mjs'

const how = process.argv[2] ?? 'pace'
const rate = 16_000
const piece = rate / 2 // bytes: a quarter of a second
const server = join(root, 'src/Kostel.Server/bin/Release/net10.0/Kostel.Server.dll')
const folder = mkdtempSync(join(tmpdir(), 'kostel-record-'))
const child = spawn('dotnet', [server, '--data', join(folder, 'data'), '--port', '0', '--door', 'open'], { stdio: ['ignore', 'pipe', 'inherit'] })
const address = await new Promise((found) => child.stdout.on('data', (b) => /http:\/\/\S+/.exec(b) && found(new URL(/http:\/\/\S+/.exec(b)[0]).origin)))
const sleep = (ms) => new Promise((done) => setTimeout(done, ms))
const headers = { Origin: address, 'Content-Type': 'application/json' }
const post = async (path, body = {}) => (await fetch(address + path, { method: 'POST', headers, body: JSON.stringify(body) })).json()
const get = async (path) => (await fetch(address + path)).json()

const voices = ['slt', 'rms', 'awb', 'kal16']
/** A text spoken, without the silence before and after it. */
function speak(text, number) {
  const file = join(folder, 'said.wav')
  execFileSync('flite', ['-voice', voices[number % voices.length], '-t', text, '-o', file])
  const trim = 'silenceremove=start_periods=1:start_threshold=-45dB,areverse,silenceremove=start_periods=1:start_threshold=-45dB,areverse'
  return execFileSync('ffmpeg', ['-v', 'error', '-i', file, '-af', trim, '-ac', '1', '-ar', String(rate), '-f', 's16le', 'pipe:1'], { maxBuffer: 1 << 30 })
}
const silence = (ms) => Buffer.alloc((rate / 1000) * ms * 2)
const ms = (bytes) => bytes / 2 / (rate / 1000)
const lines = (name) => readFileSync(join(root, 'benchmarks/lectures', name), 'utf8').split('\n').map((l) => l.trim()).filter((l) => l && !l.startsWith('=='))

const begin = () => post('/api/recordings', { title: 'A class', course: null, keepsSound: true, agreed: true, heldOn: '2026-11-20' })
async function send(recording, number, bytes, since) {
  const answer = await fetch(`${address}/api/recordings/${recording.id}/pieces/${number}?turn=${recording.turn}&since=${since}`, { method: 'POST', headers: { Origin: address, 'Content-Type': 'application/octet-stream' }, body: bytes })
  return answer.json()
}
const share = (values, p) => [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.ceil(values.length * p) - 1)]
const seconds = (v) => (v / 1000).toFixed(2)

/** An ordinary transcription, which waits. */
async function queue() {
  const sound = execFileSync('ffmpeg', ['-v', 'error', '-i', join(root, 'demo/media/01-why-tides.opus'), '-t', '600', '-c', 'copy', '-f', 'ogg', 'pipe:1'], { maxBuffer: 1 << 28 })
  const tus = { Origin: address, 'Tus-Resumable': '1.0.0' }
  const metadata = `filename ${Buffer.from('waits.opus').toString('base64')},language ${Buffer.from('en').toString('base64')}`
  const made = await fetch(`${address}/api/uploads`, { method: 'POST', headers: { ...tus, 'Upload-Length': String(sound.length), 'Upload-Metadata': metadata } })
  const place = made.headers.get('location')
  await fetch(address + place, { method: 'PATCH', headers: { ...tus, 'Upload-Offset': '0', 'Content-Type': 'application/offset+octet-stream' }, body: sound })
}

async function pace() {
  const sentences = ['fresh/bicycle-lanes-seminar.txt', 'fresh/cheese-demonstration.txt', 'fresh/memory-lecture.txt'].flatMap((n) => lines(n).slice(4, 16))
  const said = []
  let sound = silence(1500)
  sentences.forEach((text, i) => {
    const bytes = speak(text, i)
    said.push({ from: ms(sound.length), to: ms(sound.length + bytes.length) })
    sound = Buffer.concat([sound, bytes, silence(1500)])
  })
  sound = Buffer.concat([sound, silence(4000)])
  const recording = await begin()
  await send(recording, 0, silence(500), 0) // The recogniser is opened by the first piece: the page shows that it starts.
  await sleep(6000)
  await queue()
  const first = said.map(() => null)
  const last = said.map(() => null)
  let words = []
  const start = performance.now()
  const offset = 500
  const pending = []
  for (let number = 1, at = 0; at < sound.length; number++, at += piece) {
    const bytes = sound.subarray(at, at + piece)
    await sleep(start + ms(at + bytes.length) - performance.now())
    // As the page: one after the other, never waiting for the clock.
    pending.push(send(recording, number, bytes, words.length).then((text) => {
      const now = performance.now() - start
      words = [...words, ...text.words]
      const all = [...words, ...text.tentative].map((w) => ({ from: w.startMs - offset, to: w.endMs - offset }))
      const standing = words.at(-1) ? words.at(-1).endMs - offset : -1
      said.forEach((s, i) => {
        if (first[i] === null && all.some((w) => w.to > s.from + 50 && w.from < s.to)) first[i] = now - s.from
        if (last[i] === null && standing >= s.to - 500) last[i] = now - s.to
      })
    }))
    await pending.at(-1)
  }
  const waiting = (await get('/api/arrivals').catch(() => null)) !== null
  const row = (name, values, goal) => {
    const there = values.filter((v) => v !== null)
    return [name, `${there.length}/${values.length}`, seconds(share(there, 0.5)), seconds(share(there, 0.9)), seconds(share(there, 0.95)), seconds(Math.max(...there)), goal]
  }
  table(['seconds', 'sentences', 'half', '90 %', '95 %', 'longest', 'goal'], [
    row('first text after a sentence begins', first, '1.5'),
    row('final text after its last word', last, '3'),
  ])
  if (!waiting) console.log('The queue could not be read.')
}

async function thread() {
  const names = ['fresh/bicycle-lanes-seminar', 'fresh/cheese-demonstration', 'fresh/memory-lecture', 'beekeeping-talk', 'noise-and-hearing', 'pendulum-clocks', 'seminar-town-walls', 'sourdough-chemistry', 'unseen/harbour-law', 'unseen/river-floods', ...process.argv.slice(3)]
  let seed = 7
  const random = () => (seed = (seed * 1103515245 + 12345) % 2 ** 31) / 2 ** 31
  for (const [i, name] of names.entries()) {
    const sound = speak(lines(`${name}.txt`).join(' '), i)
    const until = Math.floor((120 + random() * 150) * rate) * 2
    const recording = await begin()
    const heard = sound.subarray(0, Math.min(until, sound.length))
    for (let number = 0, at = 0; at < heard.length; number++, at += piece * 10) await send(recording, number, heard.subarray(at, at + piece * 10), 0)
    for (let last = 0, tries = 0; last < ms(heard.length) - 12_000 && tries < 600; tries++) {
      const text = await get(`/api/recordings/${recording.id}/text?since=0`)
      last = text.words.at(-1)?.endMs ?? 0
      await sleep(500)
    }
    const found = await get(`/api/recordings/${recording.id}/thread?minutes=3`)
    console.log(`\n${name} at ${Math.round(ms(heard.length) / 1000)} s: ${found.about.join(', ')}`)
    for (const line of found.lines) console.log(`  ${Math.round(line.startMs / 1000)} s  ${line.quote}`)
    await fetch(`${address}/api/recordings/${recording.id}`, { method: 'DELETE', headers })
  }
}

/** Hours in one go, as fast as they are understood: memory, and how far the words' times are from where they were spoken. */
async function long() {
  const hours = Number(process.argv[3] ?? 2)
  const text = lines('pendulum-clocks.txt').slice(0, 8).join(' ')
  const said = speak(text, 0)
  const loop = Buffer.concat([said, silence(3000 + (500 - (ms(said.length) % 500)))])
  const rounds = Math.ceil((hours * 3600_000) / ms(loop.length))
  const recording = await begin()
  const sizes = []
  let [number, words] = [0, []]
  for (let round = 0; round < rounds; round++) {
    for (let at = 0; at < loop.length; at += piece * 4) {
      const text = await send(recording, number++, loop.subarray(at, at + piece * 4), words.length)
      words = [...words, ...text.words]
      // No further ahead than half a minute: what waits is not what is measured.
      while (ms(number * piece * 4) - (words.at(-1)?.endMs ?? 0) > 40_000) {
        await sleep(200)
        words = [...words, ...(await get(`/api/recordings/${recording.id}/text?since=${words.length}`)).words]
      }
    }
    sizes.push(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${child.pid}/status`, 'utf8'))[1]) / 1000)
    if (round % 20 === 0) console.log(`${Math.round(((round + 1) * ms(loop.length)) / 60_000)} min: ${sizes.at(-1).toFixed(0)} MB`)
  }
  // The same words of each round, against the first.
  const inRound = (r) => words.filter((w) => w.startMs >= r * ms(loop.length) && w.startMs < (r + 1) * ms(loop.length))
  const place = (r) => new Map(inRound(r).map((w, i, all) => [`${w.text} ${all.slice(0, i).filter((b) => b.text === w.text).length}`, w.startMs - r * ms(loop.length)]))
  const drift = (r) => {
    const [a, b] = [place(1), place(r)]
    const gaps = [...a].filter(([k]) => b.has(k)).map(([k, t]) => b.get(k) - t).sort((x, y) => x - y)
    return gaps[Math.floor(gaps.length / 2)] ?? NaN
  }
  table(['of', 'measured', 'goal'], [
    ['memory after a tenth, half, all (MB)', [0.1, 0.5, 1].map((p) => sizes[Math.min(sizes.length - 1, Math.floor(sizes.length * p))].toFixed(0)).join(', '), 'flat'],
    ['median drift of the words in the last round (ms)', drift(rounds - 2).toFixed(0), '50'],
  ])
}

/** Sentences as they are spoken, and what is meant by them. Written for this list; none was tried before it was whole. */
async function dictation() {
  const list = readFileSync(join(root, 'benchmarks/speech/dictation.tsv'), 'utf8').split('\n').filter((l) => l && !l.startsWith('#')).map((l) => l.split('\t'))
  const bare = (t) => t.toLowerCase().replace(/[^\p{L}\p{N}'\n ]+/gu, ' ').replace(/ +/g, ' ').trim()
  const signs = (t) => t.replace(/[\p{L}\p{N}' ]+/gu, '')
  const rows = []
  const byVoice = voices.map(() => 0)
  let [exact, shape, wrong, words] = [0, 0, 0, 0]
  for (const [i, [said, meant]] of list.entries()) {
    const parts = said.split('|').map((p) => speak(p.trim(), i))
    const sound = Buffer.concat([silence(400), ...parts.flatMap((p) => [p, silence(1000)])])
    const { id } = await post('/api/dictations', {})
    let number = 0
    for (let at = 0; at < sound.length; at += piece * 2) {
      await fetch(`${address}/api/dictations/${id}/pieces/${number++}?punctuates=false&from=0`, { method: 'POST', headers: { Origin: address, 'Content-Type': 'application/octet-stream' }, body: sound.subarray(at, at + piece * 2) })
      await sleep(100)
    }
    const { text } = await post(`/api/dictations/${id}/end?punctuates=false&from=0`)
    const wanted = meant.replaceAll('\\n', '\n')
    const isExact = text.toLowerCase() === wanted.toLowerCase()
    const errors = wordErrors(bare(wanted), bare(text))
    const hasShape = signs(text) === signs(wanted)
    exact += isExact
    shape += hasShape
    byVoice[i % voices.length] += hasShape
    wrong += errors.wrong
    words += errors.words
    if (!isExact) rows.push([said, wanted.replaceAll('\n', '⏎'), text.replaceAll('\n', '⏎')])
  }
  table(['sentences', 'as meant', 'signs, lines and taking back as meant', 'of ten each by ' + voices.join(', '), 'words wrong'], [[list.length, exact, shape, byVoice.join(', '), `${((100 * wrong) / words).toFixed(1)} %`]])
  if (rows.length) console.log()
  if (rows.length) table(['said', 'meant', 'came out'], rows)
}

try {
  await { pace, thread, long, dictation }[how]()
} finally {
  child.kill()
  rmSync(folder, { recursive: true, force: true })
}
