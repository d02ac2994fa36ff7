// Whether what cards and summaries state is said in the lecture, by a check that shares nothing with what makes them: the words of a
// statement, its numbers and its denials are looked for in a few sentences that stand together, where they are said in the same order.
// That it can find something is shown beside it: each card with the answer of the next one.
// Usage: study.mjs borneout [FILE…]; without files, every text of benchmarks/lectures. Prints what it cannot find, to be read.
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, join } from 'node:path'

const cli = process.env.KOSTEL_CLI ?? 'src/Kostel.Cli/bin/Release/net10.0/Kostel.Cli.dll'
const folder = 'benchmarks/lectures'
const widest = 4
// A clause that was cut out, or what only leads in.
const mostBetween = 8
const control = 'gaps with the answer of another card'
const denying = /^(no|not|never|none|nobody|nothing|neither|nor|without|cannot|hardly)$|n't$/
// What the form of a question or an answer brings along.
const ofForm = new Set(
  'a an the what which who whom whose why how when where is are was were be been am do does did has have had it they this that these those there because so then follows called belongs in gap of to and or name all for by as if its their you one give term'.split(' '),
)

const tokens = (text) => text.toLowerCase().replaceAll('’', "'").match(/[\p{L}\p{N}]+(?:'\p{L}+)?/gu) ?? []
// A form of a word stands for another: "divide" for "dividing", "ran" only for itself, and a number only for itself.
const shortest = 3
const isForm = (a, b) => a === b || (!/\d/.test(a) && a.slice(0, Math.max(shortest, Math.min(a.length, b.length) - 2)) === b.slice(0, Math.max(shortest, Math.min(a.length, b.length) - 2)))
const isDenial = (word) => denying.test(word)

/** What no window bears out; nothing where one bears out all of it. */
function missing(statement, windows, isQuoted) {
  const said = tokens(statement)
  let best = said
  for (const window of windows) {
    const left = isQuoted ? outOfOrder(said, window) : unsaid(said, window)
    if (left.length < best.length) best = left
    if (best.length === 0) break
  }
  return best
}

/** Words of a quoted statement that do not follow each other in the window, with few others between them. */
function outOfOrder(said, words) {
  let best = said
  for (let start = words.indexOf(said[0]); start >= 0; start = words.indexOf(said[0], start + 1)) {
    const left = []
    let at = start
    for (const word of said) {
      const found = words.indexOf(word, at)
      if (found < 0 || found - at > mostBetween) left.push(word)
      else {
        // What is left out between them must deny nothing.
        if (at > start) left.push(...words.slice(at, found).filter(isDenial))
        at = found + 1
      }
    }
    if (left.length < best.length) best = left
  }
  return best
}

/** Words of a question and its answer that a window has in no form, and denials that it has not. */
function unsaid(said, window) {
  return said.filter((w) => (isDenial(w) ? !window.some(isDenial) : !ofForm.has(w) && !window.some((said) => isForm(w, said))))
}

/** A name before a colon that begins several lines is who speaks. */
function withoutSpeakers(lines) {
  const speaker = (line) => /^[A-Z][\p{L} ]{0,30}(?=: )/u.exec(line)?.[0]
  const often = lines.map(speaker).filter((name, i, all) => name && all.indexOf(name) !== i)
  return lines.map((line) => (often.includes(speaker(line)) ? line.slice(speaker(line).length + 2) : line))
}

function windowsOf(sentences) {
  return sentences.flatMap((_, i) =>
    Array.from({ length: widest }, (_, n) => sentences.slice(i, i + n + 1).flatMap(tokens)),
  )
}

const run = (command, file, ...more) => {
  try {
    return execFileSync('dotnet', [cli, command, file, ...more], { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] })
  } catch {
    return ''
  }
}

const named = process.argv.slice(3)
const files = named.length > 0 ? named : readdirSync(folder, { recursive: true }).filter((f) => f.endsWith('.txt')).map((f) => join(folder, f))
const kept = mkdtempSync(join(tmpdir(), 'kostel-borneout-'))
const counts = {}
for (const file of files) {
  const lines = readFileSync(file, 'utf8').split('\n').filter((l) => l.trim() && !l.startsWith('=='))
  const plain = join(kept, basename(file))
  writeFileSync(plain, lines.join('\n'))
  const windows = windowsOf(withoutSpeakers(lines))
  const stated = []
  const rows = run('cards', plain, '--count', '30', '--to', 'tsv').split('\n').filter((r) => r.includes('\t')).map((r) => r.split('\t'))
  for (const [i, [front, back]] of rows.entries()) {
    const others = rows[i + 1]?.[1]
    if (front.includes('____') && others) stated.push([control, front.replace('____', others.replace(/\.$/, '')), true])
    if (front.includes('____')) stated.push(['gaps of cards', front.replace('____', back.replace(/\.$/, '')), true])
    else stated.push(['questions of cards', `${front} ${back}`, false])
  }
  for (const line of run('summary', plain, '--length', 'half').split('\n')) {
    const said = /^\s+\d+:\d\d(?::\d\d)?\s+(.+)$/.exec(line)
    if (said) stated.push(['lines of summaries', said[1], true])
  }
  for (const [kind, statement, isQuoted] of stated) {
    const count = (counts[kind] ??= { all: 0, open: 0 })
    count.all++
    const left = missing(statement, windows, isQuoted)
    if (left.length === 0) continue
    count.open++
    if (kind === control) continue
    console.log(`${basename(file, '.txt')}, ${kind}: ${statement}\n    not found together: ${left.join(' ')}`)
  }
}
rmSync(kept, { recursive: true })
console.log('\n| | stated | not found by the check |\n|---|---|---|')
for (const [kind, { all, open }] of Object.entries(counts)) console.log(`| ${kind} | ${all} | ${open} |`)
