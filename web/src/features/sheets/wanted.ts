/** Of what of a lecture study material is made. */
export interface WantedFrom {
  chapter: number | null
  ofMarks: boolean
  /** Only where this is spoken of. */
  subject: string | null
}

/** How much study material is wanted, and of what. */
export interface Wanted extends WantedFrom {
  count: number
}

/** So much of the whole lecture. */
export const wantedOf = (count: number): Wanted => ({ count, chapter: null, ofMarks: false, subject: null })
