// Ten recordings of an hour in the queue: how quickly pages answer meanwhile, when the first words come, and how good the time left is that is told.
import { execFileSync, spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { root, table } from './common.mjs'

const hours = 10
const server = join(root, 'src/Kostel.Server/bin/Release/net10.0/Kostel.Server.dll')
const folder = mkdtempSync(join(tmpdir(), 'kostel-arrivals-'))
const child = spawn('dotnet', [server, '--data', folder, '--port', '0', '--door', 'open', '--demo', join(root, 'demo')], { stdio: ['ignore', 'pipe', 'inherit'] })
const address = await new Promise((found) => child.stdout.on('data', (b) => /http:\/\/\S+/.exec(b) && found(new URL(/http:\/\/\S+/.exec(b)[0]).origin)))
const get = async (path) => (await fetch(address + path)).json()
const post = (path) => fetch(address + path, { method: 'POST' })
const sleep = (ms) => new Promise((done) => setTimeout(done, ms))
const base64 = (text) => Buffer.from(text).toString('base64')

/** An hour of the demonstration's lectures, beginning with another second each time: no two are the same recording. */
function hour(number) {
  const file = join(folder, `hour${number}.opus`)
  execFileSync('ffmpeg', ['-v', 'error', '-ss', String(number), '-stream_loop', '-1', '-i', join(root, 'demo/media/01-why-tides.opus'), '-t', '3600', '-c', 'copy', file])
  return readFileSync(file)
}

async function bring(bytes, number) {
  const tus = { 'Tus-Resumable': '1.0.0' }
  const made = await fetch(`${address}/api/uploads`, { method: 'POST', headers: { ...tus, 'Upload-Length': String(bytes.length), 'Upload-Metadata': `filename ${base64(`hour ${number}.opus`)},language ${base64('en')}` } })
  const place = made.headers.get('location')
  await fetch(address + place, { method: 'PATCH', headers: { ...tus, 'Upload-Offset': '0', 'Content-Type': 'application/offset+octet-stream' }, body: bytes })
  return place.split('/').at(-1)
}

await post('/api/jobs/cancel')
const paths = ['/', '/api/today', '/api/library', '/api/arrivals', '/api/lectures/why-tides/transcript', '/api/lectures/why-tides', '/api/review']
const spent = Object.fromEntries(paths.map((p) => [p, []]))
const idle = []
for (let i = 0; i < 140; i++) {
  const path = paths[i % paths.length]
  const began = performance.now()
  await (await fetch(address + path)).arrayBuffer()
  if (i >= 35) idle.push(performance.now() - began)
}

const recordings = Array.from({ length: hours }, (_, i) => hour(i + 1))
/** Follows the first from the moment when it is there. */
const first = await bring(recordings[0], 1)
const began = Date.now()
let [firstWords, begun, seen, ended] = [null, null, [], null]
const following = (async () => {
  while (!ended) {
    const { progress } = await get(`/api/lectures/${first}`)
    const now = (Date.now() - began) / 1000
    if (!progress) ended = now
    else if (progress.state === 'running') {
      begun ??= now
      if (firstWords === null && progress.wordCount > 0) firstWords = now - begun
      if (progress.secondsLeft !== null) seen.push({ at: now - begun, left: progress.secondsLeft, now })
    }
    await sleep(100)
  }
})()
for (let i = 1; i < hours; i++) await bring(recordings[i], i + 1)
while (!ended) {
  for (const path of paths) {
    const start = performance.now()
    await (await fetch(address + path)).arrayBuffer()
    spent[path].push(performance.now() - start)
    await sleep(60)
  }
}
await following
await post('/api/jobs/cancel')
child.kill()
rmSync(folder, { recursive: true, force: true })

const at = (list, share) => [...list].sort((a, b) => a - b)[Math.floor(list.length * share)] ?? 0
const ms = (list) => [`${at(list, 0.5).toFixed(0)} ms`, `${at(list, 0.95).toFixed(0)} ms`]
const all = Object.values(spent).flat()
table(['page or address', 'median', '95th percentile'], [
  ['nothing else to do', ...ms(idle)],
  ...paths.map((p) => [p, ...ms(spent[p])]),
  [`all, ${all.length} requests (goal: 200 ms)`, ...ms(all)],
])
const after = seen.filter((s) => s.at >= 60 && ended - s.now > 10)
const off = after.map((s) => Math.abs(s.left - (ended - s.now)) / (ended - s.now))
table(['', 'measured', 'goal'], [
  ['first words after a transcription begins', `${firstWords.toFixed(1)} s`, '6 s'],
  ['an hour, accurate, while pages are asked', `${(ended - begun).toFixed(0)} s`, ''],
  ['time left, told after the first minute: off by, median (95th percentile)', `${(at(off, 0.5) * 100).toFixed(0)} % (${(at(off, 0.95) * 100).toFixed(0)} %)`, '33 %'],
])
