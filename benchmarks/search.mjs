// Search over a generated library of 500 hours (4.5 million words): how long an answer takes by word and by meaning, how large the
// index is beside the text, what the server takes of memory.
// Usage: search.mjs [LECTURES]
import { execFileSync, spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const lectures = process.argv[2] ?? '600'
const program = 'benchmarks/Kostel.Benchmarks/bin/Release/net10.0/Kostel.Benchmarks.dll'
const folder = join(mkdtempSync(join(tmpdir(), 'kostel-search-')), 'library')
const bench = (args) => JSON.parse(execFileSync('dotnet', [program, ...args], { encoding: 'utf8', maxBuffer: 1 << 26 }))
const port = 5613
const url = `http://127.0.0.1:${port}`
const lexicon = readFileSync(join(process.env.KOSTEL_MODELS, 'lexicon.txt'), 'utf8').split('\n').filter((l) => /^[a-z]{4,}( \d+){4}$/.test(l))
const words = lexicon.map((l) => l.split(' ')).map(([w, ...n]) => ({ w, n: n.reduce((a, b) => a + +b, 0) })).sort((a, b) => b.n - a.n).map((x) => x.w)

let seed = 7
const random = (n) => ((seed = (seed * 1103515245 + 12345) % 2147483648), seed % n)
const word = () => words[random(Math.min(words.length, 20_000))]
const slip = (w) => { const i = 1 + random(w.length - 2); return w.slice(0, i) + w[i + 1] + w[i] + w.slice(i + 2) }
const kinds = {
  'one word': word,
  'one of the most frequent': () => words[random(60)],
  'two words': () => `${word()} ${word()}`,
  'while it is typed': () => word().slice(0, 4),
  'a phrase': () => `"${word()} ${word()}"`,
  'with a slip': () => slip(word() + 'ing'),
  'a question': () => `why does the ${word()} of ${word()} ${word()}`,
}
const at = (times, share) => times.toSorted((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))]
const rss = (pid) => Math.round(+/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1] / 1024)

const made = bench(['library', folder, lectures])
const server = spawn('dotnet', ['src/Kostel.Server/bin/Release/net10.0/Kostel.Server.dll', '--data', folder, '--port', String(port), '--door', 'open'], { stdio: 'ignore', env: process.env })
try {
  for (;;) {
    if (await fetch(`${url}/api/about`).then((r) => r.ok, () => false)) break
    await new Promise((r) => setTimeout(r, 300))
  }
  const ask = async (text, more) => {
    const begun = performance.now()
    const answer = await fetch(`${url}/api/search?${new URLSearchParams({ text, ...more })}`)
    const found = await answer.json()
    if (!answer.ok) throw new Error(JSON.stringify(found))
    return { ms: performance.now() - begun, hits: found.hitCount }
  }
  console.log(`${made.words.toLocaleString('en')} words in ${lectures} lectures, ${(made.textBytes / 1e6).toFixed(1)} MB of text\n`)
  console.log(`| | ms |\n|---|---|\n| first search by word | ${Math.round((await ask('estuary', { meaning: false })).ms)} |`)
  const begun = performance.now()
  while (!(await fetch(`${url}/api/search?text=estuary`).then((r) => r.json())).byMeaning) await new Promise((r) => setTimeout(r, 300))
  console.log(`| what all passages mean, worked out in the background the first time | ${Math.round(performance.now() - begun)} |`)
  for (let i = 0; i < 20; i++) await ask(word(), {})
  console.log('\n| 60 searches each | by word: median | 95th percentile | by meaning too: median | 95th percentile | found, median |\n|---|---|---|---|---|---|')
  const all = [[], []]
  for (const [name, make] of Object.entries(kinds)) {
    const [plain, meant, hits] = [[], [], []]
    for (let i = 0; i < 60; i++) {
      const text = make()
      const typing = name === 'while it is typed' ? { typing: true } : {}
      plain.push((await ask(text, { meaning: false, ...typing })).ms)
      const answer = await ask(text, typing)
      meant.push(answer.ms)
      hits.push(answer.hits)
    }
    all[0].push(...plain)
    all[1].push(...meant)
    console.log(`| ${name} | ${[at(plain, 0.5), at(plain, 0.95), at(meant, 0.5), at(meant, 0.95)].map((x) => x.toFixed(0)).join(' | ')} | ${at(hits, 0.5)} |`)
  }
  console.log(`| **all** | ${[at(all[0], 0.5), at(all[0], 0.95), at(all[1], 0.5), at(all[1], 0.95)].map((x) => x.toFixed(0)).join(' | ')} | |`)
  const answered = { shown: [], first: 0 }
  for (let i = 0; i < 61; i++) {
    const start = performance.now()
    const answer = await fetch(`${url}/api/answer?${new URLSearchParams({ text: `${kinds['a question']()}?` })}`)
    if (!answer.ok) throw new Error(await answer.text())
    await answer.json()
    if (i === 0) answered.first = performance.now() - start
    else answered.shown.push(performance.now() - start)
  }
  console.log(`\n| answers over everything | first | median | 95th percentile |\n|---|---|---|---|\n| 60 questions | ${answered.first.toFixed(0)} | ${at(answered.shown, 0.5).toFixed(0)} | ${at(answered.shown, 0.95).toFixed(0)} |`)
  console.log(`\nmemory of the server: ${rss(server.pid)} MB`)
} finally {
  server.kill('SIGTERM')
  await new Promise((r) => server.once('exit', r))
}
const { indexBytes } = bench(['weigh', folder])
console.log(`index: ${(indexBytes / 1e6).toFixed(1)} MB, ${(indexBytes / made.textBytes).toFixed(2)} times the text`)
rmSync(join(folder, '..'), { recursive: true, force: true })
