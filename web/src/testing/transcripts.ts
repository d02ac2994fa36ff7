import type { Passage, Transcript } from '@/api/client'

/** A passage of words of half a second each. */
export function said(id: string, text: string, startMs = 0, more: Partial<Passage> = {}): Passage {
  const words = text.split(' ')
  const startsMs = words.map((_, i) => startMs + i * 500)
  const endsMs = startsMs.map((s) => s + 400)
  return {
    id,
    speakerId: 'v1',
    startMs,
    endMs: endsMs.at(-1) ?? startMs,
    text,
    confidence: 0.9,
    startsMs,
    endsMs,
    doubts: [],
    fillers: [],
    ...more,
  } as Passage
}

/** A transcript of one speaker. */
export const written = (passages: Passage[], version = 1): Transcript =>
  ({
    speakers: [{ id: 'v1', name: 'Voice 1', asks: false }],
    passages,
    chapters: [],
    unsureBelow: 0.7,
    guessedBelow: 0.4,
    isWhole: true,
    state: { version, undo: null, redo: null, isEdited: false },
  }) as unknown as Transcript
