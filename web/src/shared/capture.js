import { Resampler } from './resampler'

// Runs beside the page, in the thread of the sound: gathers samples into pieces of a quarter of a second, 16 bits each, and says how loud it is.
const RATE = 16000
const PIECE = 4000
const LEVEL = 1600

class Capture extends AudioWorkletProcessor {
  constructor() {
    super()
    this.piece = new Int16Array(PIECE)
    this.filled = 0
    this.level = { peak: 0, sum: 0, count: 0 }
    this.isOn = false
    this.resampler = sampleRate === RATE ? null : new Resampler(Math.round(sampleRate), RATE)
    this.port.onmessage = ({ data }) => {
      this.isOn = data === 'on'
      if (!this.isOn) this.send()
    }
  }

  send() {
    if (this.filled) this.port.postMessage({ piece: this.piece.slice(0, this.filled).buffer })
    this.filled = 0
  }

  process([input]) {
    if (!input[0]) return true
    const samples = this.resampler ? this.resampler.push(input[0]) : input[0]
    for (const s of samples) {
      const size = Math.abs(s)
      if (size > this.level.peak) this.level.peak = size
      this.level.sum += s * s
      this.level.count++
      if (!this.isOn) continue
      this.piece[this.filled++] = Math.max(-32768, Math.min(32767, Math.round(s * 32768)))
      if (this.filled === PIECE) this.send()
    }
    if (this.level.count >= LEVEL) {
      this.port.postMessage({ peak: this.level.peak, rms: Math.sqrt(this.level.sum / this.level.count) })
      this.level = { peak: 0, sum: 0, count: 0 }
    }
    return true
  }
}

registerProcessor('capture', Capture)
