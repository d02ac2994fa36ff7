// What Kostel weighs: the first start, memory at rest, and what a browser with an empty cache fetches.
// Usage: weight.mjs
import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { root, table } from './common.mjs'

const { chromium } = createRequire(join(root, 'tests/e2e/package.json'))('@playwright/test')
const restSeconds = 20
const seconds = (from) => `${((Date.now() - from) / 1000).toFixed(1)} s`
const megabytes = (bytes) => `${(bytes / 1e6).toFixed(1)} MB`
const kilobytes = (bytes) => `${Math.round(bytes / 1000)} KB`

/** Starts the server and gives its address, once it is printed, and the process. */
async function start(folder, ...more) {
  const server = spawn('dotnet', [join(root, 'src/Kostel.Server/bin/Release/net10.0/Kostel.Server.dll'), '--data', folder, '--port', '0', '--door', 'open', ...more], { stdio: ['ignore', 'pipe', 'inherit'] })
  const address = await new Promise((found) => server.stdout.on('data', (b) => /http:\/\/\S+/.exec(b) && found(/http:\/\/\S+/.exec(b)[0])))
  return { server, address }
}

const memory = (server, name) => Number(new RegExp(`${name}:\\s+(\\d+)`).exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))[1]) * 1000

/** What a page fetches until nothing more is fetched, as it comes over the wire. */
async function fetched(browser, address) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  const devtools = await page.context().newCDPSession(page)
  await devtools.send('Network.enable')
  const sizes = new Map()
  const kinds = new Map()
  devtools.on('Network.responseReceived', (e) => kinds.set(e.requestId, e.type))
  devtools.on('Network.loadingFinished', (e) => sizes.set(e.requestId, e.encodedDataLength))
  await page.goto(address)
  await page.waitForTimeout(5000)
  await page.close()
  const sum = (...wanted) => [...sizes].filter(([id]) => wanted.length === 0 || wanted.includes(kinds.get(id))).reduce((all, [, size]) => all + size, 0)
  return [kilobytes(sum('Script')), kilobytes(sum('Stylesheet')), kilobytes(sum('Font')), kilobytes(sum()), String(sizes.size)]
}

const folder = mkdtempSync(join(tmpdir(), 'kostel-weight-'))
const opened = []
let from = Date.now()
let { server, address } = await start(join(folder, 'new'))
await (await fetch(`${address}/api/today`)).text()
opened.push(['a new, empty library', seconds(from)])
server.kill('SIGKILL')

from = Date.now()
;({ server, address } = await start(join(folder, 'demo'), '--demo', join(root, 'demo')))
await (await fetch(`${address}/api/today`)).text()
opened.push(['the demonstration, put into a new library', seconds(from)])
// Without --demo nothing is left to be transcribed by a later start but what already waits.
await fetch(`${address}/api/jobs/cancel`, { method: 'POST' })
server.kill('SIGKILL')

from = Date.now()
;({ server, address } = await start(join(folder, 'demo')))
await (await fetch(`${address}/api/today`)).text()
opened.push(['the same library once more', seconds(from)])
table(['first answer after a start', 'measured'], opened)

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--no-first-run'] })
try {
  await new Promise((done) => setTimeout(done, restSeconds * 1000))
  console.log()
  table(['server at rest', 'resident', 'most so far'], [[`${restSeconds} s after the start`, megabytes(memory(server, 'VmRSS')), megabytes(memory(server, 'VmHWM'))]])
  console.log()
  table(
    ['a browser with an empty cache fetches', 'scripts', 'styles', 'fonts', 'everything', 'answers'],
    [
      ['Today', ...(await fetched(browser, `${address}/`))],
      ['a lecture', ...(await fetched(browser, `${address}/lecture/rule-of-twelfths`))],
      ['a lecture with its cards', ...(await fetched(browser, `${address}/lecture/rule-of-twelfths?desk=cards`))],
    ],
  )
} finally {
  await browser.close()
  server.kill('SIGKILL')
  rmSync(folder, { recursive: true })
}
