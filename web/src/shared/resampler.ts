/** So many turns of the sinc on each side: what lies above half the lower rate is 60 dB down half an octave further. */
const lobes = 16

/** A little below half the lower rate, for the filter's slope. */
const passed = 0.92

const divisor = (a: number, b: number): number => (b ? divisor(b, a % b) : a)

/**
 * Brings a stream of samples to another rate: a sinc under a Hann window for each place that a sample can have between two others.
 * Places are counted in whole numbers, so that it never drifts. Some browsers give sound only at the rate of the device.
 */
export class Resampler {
  private readonly up: number
  private readonly down: number
  private readonly half: number
  private readonly filters: Float32Array[]
  private held: Float32Array
  private base: number
  private phase = 0

  /** @param from Samples a second that come, @param to that are wanted; whole numbers. */
  constructor(from: number, to: number) {
    const common = divisor(from, to)
    ;[this.up, this.down] = [to / common, from / common]
    const narrow = passed * Math.min(1, to / from)
    this.half = Math.ceil(lobes / narrow)
    this.filters = Array.from({ length: this.up }, (_, p) => this.filter(p / this.up, narrow))
    this.held = new Float32Array(this.half - 1)
    this.base = this.half - 1
  }

  /** The samples that are known with these. */
  push(samples: Float32Array): Float32Array {
    const all = new Float32Array(this.held.length + samples.length)
    all.set(this.held)
    all.set(samples, this.held.length)
    const made: number[] = []
    while (this.base + this.half < all.length) {
      const filter = this.filters[this.phase]!
      const from = this.base - this.half + 1
      let sum = 0
      for (let i = 0; i < filter.length; i++) sum += filter[i]! * all[from + i]!
      made.push(sum)
      this.phase += this.down
      this.base += Math.floor(this.phase / this.up)
      this.phase %= this.up
    }
    const kept = Math.min(all.length, this.base - this.half + 1)
    this.held = all.slice(kept)
    this.base -= kept
    return Float32Array.from(made)
  }

  private filter(at: number, narrow: number) {
    const weights = Float32Array.from({ length: 2 * this.half }, (_, i) => {
      const distance = i - this.half + 1 - at
      const turn = Math.PI * narrow * distance
      const window = Math.cos((Math.PI * distance) / (2 * this.half)) ** 2
      return (turn === 0 ? 1 : Math.sin(turn) / turn) * window
    })
    const sum = weights.reduce((a, b) => a + b, 0)
    return weights.map((w) => w / sum)
  }
}
