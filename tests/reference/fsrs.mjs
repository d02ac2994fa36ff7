// Prints random review histories with what ts-fsrs (fuzz off) makes of them, one JSON a line:
// {"steps":[[days, grade, stability, difficulty, intervalDays], …]}. Usage: fsrs.mjs COUNT
import { fsrs } from 'ts-fsrs'

const scheduler = fsrs({ enable_fuzz: false })
let seed = 20251
const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647
const lines = []
for (let n = 0; n < Number(process.argv[2]); n++) {
  let memory = null
  const steps = []
  for (let k = 0, length = 1 + Math.floor(random() * 9); k < length; k++) {
    const days = k === 0 || random() < 0.15 ? 0 : Math.floor(Math.exp(random() * 6))
    const grade = 1 + Math.floor(random() * 4)
    memory = scheduler.next_state(memory, days, grade)
    steps.push([days, grade, memory.stability, memory.difficulty, scheduler.next_interval(memory.stability, days)])
  }
  lines.push(JSON.stringify({ steps }))
}
process.stdout.write(`${lines.join('\n')}\n`)
