// The page with a transcript of four hours (40,000 words): time to the first text, scrolling, an edit, a search.
// Usage: page.mjs
import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'

const root = resolve(import.meta.dirname, '..')
const { chromium } = createRequire(join(root, 'tests/e2e/package.json'))('@playwright/test')
const wordsWanted = 40_000
const runs = 5

/** The demonstration's words, said again and again until there are enough, at their own pace. */
function fourHours() {
  const folder = join(root, 'demo/transcripts')
  const said = readdirSync(folder).filter((f) => !f.includes('nubes')).map((f) => JSON.parse(readFileSync(join(folder, f), 'utf8')))
  const passages = []
  const chapters = []
  let [words, at] = [0, 0]
  for (let i = 0; words < wordsWanted; i++) {
    const t = said[i % said.length]
    const move = (s) => Number((s + at).toFixed(3))
    for (const p of t.passages) {
      passages.push({ id: `p${passages.length + 1}`, speaker: 'v1', start: move(p.start), end: move(p.end), words: p.words.map((w) => ({ ...w, start: move(w.start), end: move(w.end) })) })
      words += p.words.length
    }
    // A chapter for each: six to nine minutes, as long lectures have them.
    chapters.push({ title: t.chapters[0].title, start: move(0), end: move(t.duration) })
    at += t.duration
  }
  return { words, text: JSON.stringify({ format: 'kostel-transcript', version: 1, language: 'en', duration: at, speakers: [{ id: 'v1', name: 'Voice 1' }], passages, chapters }) }
}

/** The same opening and scrolling once more, with what the processor gave to it: other work on the machine makes time pass and does not count here. */
async function traced(lecture) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await watchFirstText(page)
  await browser.startTracing(page, { categories: ['toplevel', 'blink.user_timing'] })
  await page.goto(lecture)
  await page.waitForFunction(() => window.firstText)
  await page.waitForTimeout(3000)
  await page.evaluate(scrollThrough)
  const { traceEvents } = JSON.parse((await browser.stopTracing()).toString())
  await page.close()
  const mark = (name) => traceEvents.find((e) => e.name === name && e.cat === 'blink.user_timing')
  const { pid, tid, ts: shown } = mark('first text')
  const { ts: scrolling } = mark('scrolling')
  const tasks = traceEvents.filter((e) => e.ph === 'X' && e.name.endsWith('RunTask') && e.pid === pid && e.tid === tid)
  const ms = (micros) => Math.round(micros / 1000)
  const longest = tasks.filter((e) => e.ts > scrolling).sort((a, b) => (b.tdur ?? 0) - (a.tdur ?? 0))[0]
  return { opening: ms(tasks.filter((e) => e.ts < shown).reduce((sum, e) => sum + (e.tdur ?? 0), 0)), longest: ms(longest.tdur) }
}

/** Notes when the first passage has been drawn, and the long tasks. */
const watchFirstText = (page) =>
  page.addInitScript(() => {
    window.longTasks = []
    new PerformanceObserver((l) => window.longTasks.push(...l.getEntries().map((e) => e.duration))).observe({ type: 'longtask', buffered: true })
    new MutationObserver((_, o) => {
      if (!document.querySelector('[data-passage="0"] p')?.textContent) return
      o.disconnect()
      requestAnimationFrame(() =>
        requestAnimationFrame(() => {
          performance.mark('first text')
          window.firstText = performance.now()
        }),
      )
    }).observe(document, { childList: true, subtree: true, characterData: true })
  })

/** From the beginning to the end in steps of a screen, each drawn before the next; runs in the page. */
async function scrollThrough() {
  performance.mark('scrolling')
  const place = document.querySelector('.reading')
  const times = []
  for (let y = 0; y < place.scrollHeight; y += place.clientHeight) {
    const before = performance.now()
    place.scrollTop = y
    await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))
    times.push(performance.now() - before)
  }
  await new Promise((done) => setTimeout(done, 300))
  return times
}

const median = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]
const folder = mkdtempSync(join(tmpdir(), 'kostel-bench-'))
const server = spawn('dotnet', [join(root, 'src/Kostel.Server/bin/Release/net10.0/Kostel.Server.dll'), '--data', folder, '--port', '0', '--door', 'open'], { stdio: ['ignore', 'pipe', 'inherit'] })
const address = await new Promise((found) => server.stdout.on('data', (b) => /http:\/\/\S+/.exec(b) && found(/http:\/\/\S+/.exec(b)[0])))
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--no-first-run'] })
try {
  const { words, text } = fourHours()
  const body = Buffer.from(text)
  const created = await fetch(`${address}/api/uploads`, { method: 'POST', headers: { 'Tus-Resumable': '1.0.0', 'Upload-Length': String(body.length), 'Upload-Metadata': `filename ${btoa('hours.json')},title ${btoa('Four hours')}` } })
  const upload = address + created.headers.get('location')
  await fetch(upload, { method: 'PATCH', headers: { 'Tus-Resumable': '1.0.0', 'Upload-Offset': '0', 'Content-Type': 'application/offset+octet-stream' }, body })
  const lecture = `${address}/lecture/${upload.split('/').at(-1)}`

  const opened = []
  const edits = []
  const shown = []
  const long = []
  const frames = []
  let found = 0
  let heap = 0
  for (let run = 0; run < runs; run++) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await watchFirstText(page)
    await page.goto(lecture)
    await page.waitForFunction(() => window.firstText)
    opened.push(await page.evaluate(() => window.firstText))
    await page.waitForTimeout(1500)

    await page.evaluate(() => (window.longTasks.length = 0))
    frames.push(...(await page.evaluate(scrollThrough)))
    long.push(...(await page.evaluate(() => window.longTasks)))

    // A correction in the middle: until the server has stored it, and until the page says so after the last key.
    const middle = await page.evaluate(() => document.querySelectorAll('[data-passage]').length >> 1)
    const place = page.locator(`[data-passage="${middle}"] p`)
    await place.scrollIntoViewIfNeeded()
    await place.click()
    await page.evaluate(() => (window.longTasks.length = 0))
    await page.keyboard.type(` word${run}`)
    const answer = page.waitForResponse((r) => r.url().endsWith('/edits'))
    await page.keyboard.press('Escape')
    const from = Date.now()
    const timing = (await answer).request().timing()
    await page.getByText('Saved', { exact: true }).waitFor()
    shown.push(Date.now() - from)
    await (await answer).finished()
    edits.push((await answer).request().timing().responseEnd - timing.requestStart)
    long.push(...(await page.evaluate(() => window.longTasks)))

    await page.keyboard.press('/')
    const asked = Date.now()
    await page.keyboard.insertText('water')
    await page.getByText(/1 of \d+/).waitFor()
    found = Math.max(found, Date.now() - asked)
    heap = Math.max(heap, await page.evaluate(() => performance.memory?.usedJSHeapSize ?? 0))
    await page.close()
  }
  const processor = await traced(lecture)
  const worstFrame = Math.max(...frames)
  console.log(`\n| ${words.toLocaleString('en')} words, ${runs} runs | measured | goal |\n|---|---|---|`)
  console.log(`| first text on the page after opening, median (worst) | ${Math.round(median(opened))} ms (${Math.round(Math.max(...opened))}) | 1000 ms |`)
  console.log(`| an edit stored by the server, median (worst) | ${Math.round(median(edits))} ms (${Math.round(Math.max(...edits))}) | 100 ms |`)
  console.log(`| until the page says "Saved", median | ${Math.round(median(shown))} ms | |`)
  console.log(`| tasks over 100 ms while scrolling and typing | ${long.filter((t) => t > 100).length} (longest ${Math.round(Math.max(0, ...long))} ms) | 0 |`)
  console.log(`| time of the processor in the page's own thread: until the first text; longest task while scrolling | ${processor.opening} ms; ${processor.longest} ms | |`)
  console.log(`| a screen further, drawn, median (worst) | ${Math.round(median(frames))} ms (${Math.round(worstFrame)}) | |`)
  console.log(`| a search through everything, slowest | ${found} ms | |`)
  console.log(`| memory of the page's script, largest | ${Math.round(heap / 1048576)} MB | |`)
} finally {
  await browser.close()
  server.kill('SIGKILL')
  rmSync(folder, { recursive: true, force: true })
}
