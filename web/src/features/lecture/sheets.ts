import type { Mark, MarkKind, Passage } from '@/api/client'

/** What lies over the page at the moment; one at a time. */
export type Sheet =
  | { is: 'voices'; speakerId: string | null }
  | { is: 'transcribe' }
  | { is: 'text' }
  | { is: 'take' }
  | { is: 'page'; target: HTMLElement }
  | { is: 'passage'; passage: Passage; target: HTMLElement }
  | { is: 'replace'; phrase: string; replacement: string }
  | {
      is: 'mark'
      mark: Mark | null
      draft: { kind: MarkKind; startMs: number; endMs: number; quote: string } | null
    }
