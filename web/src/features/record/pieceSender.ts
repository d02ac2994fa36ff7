import type { RecordingText } from '@/api/client'
import type { Piece } from './pieceStore'

/** Where pieces are kept until they are sent. */
export interface Kept {
  keep: (piece: Piece) => Promise<void>
  all: (recording: string) => Promise<Piece[]>
  drop: (recording: string, before: number) => Promise<void>
}

interface Hears {
  /** The server has taken pieces, and says what it understood. */
  answered: (text: RecordingText) => void
  /** It cannot be reached or has no room; it is tried again. */
  waits: (why: string) => void
  /** It will not take more: another window goes on, or the recording is gone. */
  refused: (why: string) => void
}

const pause = 1000

/** Sends the pieces of a recording in their order, one at a time, again and again until they are there. */
export function pieceSender(
  recording: string,
  turn: string,
  next: number,
  since: () => number,
  kept: Kept,
  hears: Hears,
  send: typeof fetch = (...a) => fetch(...a),
) {
  const queue: Piece[] = []
  let isOpen = true
  let working: Promise<void> | null = null

  /** The server is further back than what it once confirmed, as after a power cut: what is left follows on there. */
  async function closeUp(from: number) {
    const missing = queue[0]!.number - from
    for (const piece of queue) piece.number -= missing
    next -= missing
    await kept.drop(recording, Infinity)
    for (const piece of queue) await kept.keep(piece)
  }

  async function work() {
    while (isOpen && queue.length) {
      const [piece] = queue
      let answer: Response
      try {
        answer = await send(`/api/recordings/${recording}/pieces/${piece!.number}?turn=${turn}&since=${since()}`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/octet-stream' },
          body: piece!.samples,
        })
      } catch {
        hears.waits('Kostel does not answer. What is recorded is kept in this browser, and sent when it answers again.')
        await new Promise((done) => setTimeout(done, pause))
        continue
      }
      if (answer.ok) {
        const text = (await answer.json()) as RecordingText
        while (queue.length && queue[0]!.number < text.nextPiece) queue.shift()
        await kept.drop(recording, text.nextPiece)
        if (queue.length && queue[0]!.number > text.nextPiece) await closeUp(text.nextPiece)
        hears.answered(text)
        continue
      }
      const { detail } = (await answer.json().catch(() => ({}))) as { detail?: string }
      if (answer.status === 409 || answer.status === 404 || answer.status === 413) {
        isOpen = false
        hears.refused(detail ?? 'This recording does not go on here.')
      } else {
        hears.waits(detail ?? 'Kostel could not take the sound; it is kept in this browser and tried again.')
        await new Promise((done) => setTimeout(done, pause))
      }
    }
  }

  /** Works unless that is done already; what came in at its very end is not forgotten. */
  function wake() {
    working ??= work().finally(() => {
      working = null
      if (isOpen && queue.length) wake()
    })
  }

  return {
    /** What an earlier window kept and the server has not. */
    async resume() {
      for (const piece of await kept.all(recording)) if (piece.number >= next) queue.push(piece)
      next = Math.max(next, (queue.at(-1)?.number ?? -1) + 1)
      wake()
    },
    async add(samples: ArrayBuffer) {
      const piece = { recording, number: next++, samples }
      queue.push(piece)
      await kept.keep(piece).catch(() => undefined)
      wake()
    },
    /** All that there was has arrived, or no more is taken. */
    settled: async () => {
      while (working) await working
    },
    waiting: () => queue.length,
    stop: () => (isOpen = false),
  }
}
