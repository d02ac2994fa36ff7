// Ten minutes each of what is no speech: no word may come out. And speech of another language, which must be noticed.
import { execFileSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { root, table } from '../common.mjs'
import { hear } from './heard.mjs'

const minutes = 10
const kinds = {
  silence: 'anullsrc=r=16000:cl=mono',
  'white noise': 'anoisesrc=color=white:sample_rate=16000:seed=3:amplitude=0.2',
  'pink noise': 'anoisesrc=color=pink:sample_rate=16000:seed=3:amplitude=0.4',
  'hum at 50 Hz with overtones': "aevalsrc='0.3*sin(100*PI*t)+0.15*sin(200*PI*t)+0.1*sin(300*PI*t)+0.02*random(0)':s=16000",
  'music, chords of three notes': "aevalsrc='0.2*exp(-2*mod(t,0.5))*(sin(2*PI*t*220*pow(2,floor(mod(t*2,7))/12))+sin(2*PI*t*277*pow(2,floor(mod(t*2,5))/12))+sin(2*PI*t*330*pow(2,floor(mod(t*2,4))/12)))':s=16000",
  'clapping': "aevalsrc='0.6*(random(0)-0.5)*exp(-40*mod(t+0.05*sin(7*t),0.21))+0.4*(random(1)-0.5)*exp(-35*mod(t+0.03*sin(11*t),0.17))':s=16000",
  'typing': "aevalsrc='0.5*(random(0)-0.5)*exp(-120*mod(t+0.07*sin(5*t),0.16))':s=16000",
}

export function silence() {
  const files = Object.entries(kinds).map(([name, source]) => {
    const path = join(root, '.kostel/bench', `${name.replace(/\W+/g, '-')}.wav`)
    if (!existsSync(path)) execFileSync('ffmpeg', ['-v', 'error', '-f', 'lavfi', '-i', source, '-t', `${minutes * 60}`, path])
    return path
  })
  const heard = hear(['fast', 'accurate'], files)
  table(['ten minutes of', 'words, fast', 'words, accurate'], Object.keys(kinds).map((name, i) => [name, ...['fast', 'accurate'].map((way) => heard.find((h) => h.way === way && h.file === files[i]).words.length)]))
}
