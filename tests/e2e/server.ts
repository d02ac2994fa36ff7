import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { createServer, type AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { test as base } from '@playwright/test'
import { lock } from './door.ts'

export const root = resolve(import.meta.dirname, '../..')
const dll = join(root, 'src/Kostel.Server/bin/Release/net10.0/Kostel.Server.dll')

export interface Kostel {
  address: string
  /** SIGKILL, then a new start on the same library and port. */
  restart(): Promise<void>
}

async function start(folder: string, port: number, withDemo: boolean, site?: string): Promise<{ child: ChildProcess; address: string }> {
  const demo = withDemo ? ['--demo', join(root, 'demo')] : []
  const child = spawn('dotnet', [dll, '--data', folder, '--port', String(port), ...demo, ...(site ? ['--site', new URL(site).host] : [])], {
    env: { ...process.env, KOSTEL_MODEL_LOCK: join(root, 'models/models.lock.json'), KOSTEL_WEB: join(root, 'src/Kostel.Server/wwwroot') },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  const address = await new Promise<string>((found, fail) => {
    let text = ''
    child.stdout?.on('data', (bytes: Buffer) => {
      text += bytes.toString()
      const at = /http:\/\/\S+\n/.exec(text)
      if (at) found(new URL(at[0]).origin)
    })
    child.on('exit', () => fail(new Error('the server did not start')))
  })
  return { child, address }
}

async function serve(withDemo: boolean, use: (kostel: Kostel) => Promise<void>, site?: string) {
  const folder = mkdtempSync(join(tmpdir(), 'kostel-e2e-'))
  lock(folder)
  let running = await start(folder, 0, withDemo, site)
  const { address } = running
  await use({
    address,
    async restart() {
      const gone = new Promise((done) => running.child.once('exit', done))
      running.child.kill('SIGKILL')
      await gone
      running = await start(folder, Number(new URL(address).port), withDemo, site)
    },
  })
  running.child.removeAllListeners('exit')
  const gone = new Promise((done) => running.child.once('exit', done))
  running.child.kill('SIGKILL')
  await gone
  rmSync(folder, { recursive: true })
}

/** The web site that ships with Kostel. */
async function showSite(use: (address: string) => Promise<void>) {
  const free = createServer()
  await new Promise<void>((done) => free.listen(0, '127.0.0.1', done))
  const { port } = free.address() as AddressInfo
  await new Promise((done) => free.close(done))
  const standIn = join(root, 'src/Kostel.StandIn/bin/Release/net10.0/Kostel.StandIn.dll')
  const child = spawn('dotnet', [standIn, '--port', String(port), '--site', join(root, 'demo/site')], { stdio: ['ignore', 'pipe', 'inherit'] })
  await new Promise((shown) => child.stdout.once('data', shown))
  await use(`http://localhost:${port}`)
  child.kill('SIGKILL')
}

/** Tests with the real server: `empty` has an empty library, `demo` the demonstration's, `linked` an empty one that may fetch from the `site`. */
export const test = base.extend<object, { empty: Kostel; demo: Kostel; site: string; linked: Kostel }>({
  // eslint-disable-next-line no-empty-pattern
  empty: [async ({}, use) => serve(false, use), { scope: 'worker' }],
  // eslint-disable-next-line no-empty-pattern
  demo: [async ({}, use) => serve(true, use), { scope: 'worker' }],
  // eslint-disable-next-line no-empty-pattern
  site: [async ({}, use) => showSite(use), { scope: 'worker' }],
  linked: [async ({ site }, use) => serve(false, use, site), { scope: 'worker' }],
})
