/** A piece that the server has not confirmed. */
export interface Piece {
  recording: string
  number: number
  samples: ArrayBuffer
}

const request = <T>(r: IDBRequest<T>) =>
  new Promise<T>((done, failed) => {
    r.onsuccess = () => done(r.result)
    r.onerror = () => failed(r.error ?? new Error('The browser could not keep a piece of the sound.'))
  })

let opened: Promise<IDBDatabase> | null = null
function open() {
  const opening = indexedDB.open('kostel-recording', 1)
  opening.onupgradeneeded = () => opening.result.createObjectStore('pieces', { keyPath: ['recording', 'number'] })
  return (opened ??= request(opening))
}
const pieces = async (mode: IDBTransactionMode) => (await open()).transaction('pieces', mode).objectStore('pieces')
const of = (recording: string, from = 0, to = Infinity) => IDBKeyRange.bound([recording, from], [recording, to])

/** Keeps pieces in the browser until the server has them: a reload, or a lost network, loses none. */
export const pieceStore = {
  keep: async (piece: Piece) => void (await request((await pieces('readwrite')).put(piece))),
  all: async (recording: string): Promise<Piece[]> => request((await pieces('readonly')).getAll(of(recording))),
  /** Lets go of those before a number. */
  drop: async (recording: string, before: number) =>
    void (await request((await pieces('readwrite')).delete(of(recording, 0, before - 1)))),
  forget: async (recording: string) => void (await request((await pieces('readwrite')).delete(of(recording)))),
}
