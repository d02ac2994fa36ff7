// Reads WebVTT from standard input with node-webvtt and prints its cues: [{"start","end","text"}].
import { readFileSync } from 'node:fs'
import webvtt from 'node-webvtt'

const { cues } = webvtt.parse(readFileSync(0, 'utf8'), { strict: true })
process.stdout.write(JSON.stringify(cues.map(({ start, end, text }) => ({ start, end, text }))))
