// What a minute of sound costs, on demonstration lectures, the whole of ./kostel transcribe including its start.
import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import { measured, root, table } from './common.mjs'

const rows = ['01-why-tides.opus', '02-tide-table.mp4', '06-soil-water.opus'].map((name) => {
  const file = join(root, 'demo/media', name)
  const sound = Number(execFileSync('ffprobe', ['-v', 'error', '-show_entries', 'format=duration', '-of', 'csv=p=0', file], { encoding: 'utf8' }))
  const { seconds, megabytes } = measured('transcribe', file, '--accuracy', 'fast')
  return [name, `${(sound / 60).toFixed(1)} min`, `${seconds.toFixed(1)} s`, `${((seconds / sound) * 60).toFixed(2)} s`, `${megabytes.toFixed(0)} MB`]
})
table(['recording', 'length', 'whole command', 'for a minute of sound', 'most memory'], rows)
