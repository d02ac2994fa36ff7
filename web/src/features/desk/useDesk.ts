import { inject, provide, type InjectionKey, type Ref } from 'vue'
import type { Lecture, Mark, Transcript } from '@/api/client'
import type { Player } from '@/features/lecture/player'
import type { Planned } from '@/features/lecture/usePlanned'
import type { Stretch } from '@/stave/paint'
import type { DeskPanelName } from './panels'

/** What a panel of the desk knows of its lecture, and what it can do on the page beside it. */
export interface Desk {
  lecture: Readonly<Ref<Lecture>>
  marks: Readonly<Ref<readonly Mark[]>>
  /** The version of the text: what was made may have changed with it. */
  version: Readonly<Ref<number>>
  timeMs: Readonly<Ref<number>>
  transcript: Readonly<Ref<Transcript>>
  heard: Readonly<Ref<readonly Stretch[]>>
  player: Player
  /** What of the lecture is to be listened to. */
  planned: Planned
  /** Whether silence is passed over. */
  skips: Readonly<Ref<boolean>>
  /** Another panel, with something to begin with. */
  open: (panel: DeskPanelName, text?: string) => void
  /** Plays a place and shows it on the page. */
  hear: (ms: number) => void
  /** Shows places under the stave. */
  show: (places: readonly Stretch[]) => void
  openMark: (mark: Mark) => void
  /** What is selected on the page or on the stave. */
  selected: Readonly<Ref<Stretch | null>>
  /** Something was noted in the margin. */
  noted: () => void
  addPicture: (file: Blob) => void
  /** Offers the same correction elsewhere. */
  correct: (before: string, after: string) => void
}

const deskKey: InjectionKey<Desk> = Symbol('desk')
export const provideDesk = (desk: Desk) => provide(deskKey, desk)

/** The desk that this panel lies on. */
export function useDesk(): Desk {
  const desk = inject(deskKey)
  if (!desk) throw new Error('A panel lies on no desk: render it through DeskPanel, which calls provideDesk.')
  return desk
}
