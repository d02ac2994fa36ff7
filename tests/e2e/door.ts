import { createHmac } from 'node:crypto'
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

/** The key of every library of these tests: with one that is known beforehand, each browser can have its cookie from the start. */
const secret = Buffer.alloc(32, 7)
const signed = (what: string) => createHmac('sha256', secret).update(what).digest('hex')

/** What an Authorization header carries. */
export const pass = signed('pass')

export const cookie = {
  name: `kostel-${signed('cookie').slice(0, 8)}`,
  value: pass,
  domain: '127.0.0.1',
  path: '/',
  expires: -1,
  httpOnly: true,
  secure: false,
  sameSite: 'Lax' as const,
}

/** Gives a new library that key. */
export function lock(folder: string) {
  mkdirSync(join(folder, 'keys'), { recursive: true })
  writeFileSync(join(folder, 'keys/door'), secret)
}
