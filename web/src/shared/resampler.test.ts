import { expect, test } from 'vitest'
import { Resampler } from './resampler'

const tone = (hertz: number, rate: number, seconds: number) =>
  Float32Array.from({ length: rate * seconds }, (_, i) => Math.sin((2 * Math.PI * hertz * i) / rate))

function through(sound: Float32Array, from: number, piece = 128) {
  const resampler = new Resampler(from, 16_000)
  const made: number[] = []
  for (let i = 0; i < sound.length; i += piece) made.push(...resampler.push(sound.subarray(i, i + piece)))
  return made
}

const loudest = (samples: number[]) => Math.max(...samples.map(Math.abs))

test.each([48_000, 44_100, 96_000, 22_050, 8_000, 16_000])(
  'a tone of speech comes through from %i samples a second as it is, at its time',
  (rate) => {
    const made = through(tone(1_000, rate, 2), rate)
    const meant = tone(1_000, 16_000, 2)
    expect(made.length).toBeGreaterThan(31_900)
    const middle = made.slice(1_000, -1_000)
    expect(loudest(middle.map((s, i) => s - meant[i + 1_000]!))).toBeLessThan(0.005)
  },
)

test('what is too high for the lower rate is not folded into it', () => {
  expect(loudest(through(tone(11_000, 48_000, 1), 48_000).slice(1_000))).toBeLessThan(0.002)
})

test('it does not matter in which pieces sound comes, and it never drifts', () => {
  const sound = tone(440, 44_100, 3)
  expect(through(sound, 44_100, 128)).toEqual(through(sound, 44_100, 4_411))
  const long = through(tone(440, 44_100, 60), 44_100)
  const meant = tone(440, 16_000, 60)
  expect(loudest(long.slice(-2_000, -1_000).map((s, i) => s - meant[long.length - 2_000 + i]!))).toBeLessThan(0.005)
})
