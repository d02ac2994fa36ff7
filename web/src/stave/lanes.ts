/** A lane of the stave and where it stands. */
export interface Lane {
  key: 'chapters' | 'sound' | 'voices' | 'marks' | 'places' | 'axis'
  name: string
  top: number
  height: number
}

const heights = { chapters: 30, sound: 50, marks: 20, places: 20, axis: 22 }
const low = { chapters: 8, sound: 30, marks: 18, places: 16, axis: 20 }
export const voiceStep = 7

/** The lanes that there is something for, one under the other. */
export function lanesFor(has: { voices: number; marks: boolean; places: string }, isLow: boolean): Lane[] {
  const h = isLow ? low : heights
  const wanted: [Lane['key'], string, number][] = [
    ['chapters', 'Chapters', h.chapters],
    ['sound', 'Sound', h.sound],
  ]
  if (has.voices > 1) wanted.push(['voices', 'Voices', has.voices * voiceStep + 9])
  if (has.marks) wanted.push(['marks', 'Marks', h.marks])
  if (has.places) wanted.push(['places', has.places, h.places])
  wanted.push(['axis', '', h.axis])
  let top = 0
  return wanted.map(([key, name, height]) => {
    const lane = { key, name, top, height }
    top += height
    return lane
  })
}

export const heightOf = (lanes: readonly Lane[]) => lanes.reduce((sum, l) => sum + l.height, 0)
