import { onKeyStroke } from '@vueuse/core'
import type { MarkKind } from '@/api/client'
import type { DeskPanelName } from '@/features/desk/panels'
import { isTyping, onKey } from '@/shared/keys'
import type { Player } from './player'

interface Actions {
  player: Player
  jump: (by: 'sentence' | 'passage' | 'chapter', step: number) => void
  open: (panel: DeskPanelName | null) => unknown
  mark: (kind: MarkKind) => void
  loop: () => void
  skip: () => void
  doubts: () => void
  write: () => void
  find: () => void
  follow: () => void
  take: () => void
  undo: () => void
  redo: () => void
}

/** The keys of a lecture; shared/keys.ts lists them for the sheet. */
export function useLectureKeys(a: Actions) {
  onKey(' ', a.player.toggle)
  onKey('b', () => a.jump('sentence', -1))
  onKey('n', () => a.jump('sentence', 1))
  onKey('v', () => a.jump('passage', -1))
  onKey('m', () => a.jump('passage', 1))
  onKey('B', () => a.jump('chapter', -1))
  onKey('N', () => a.jump('chapter', 1))
  onKey('s', () => a.player.changeSpeed(-1))
  onKey('f', () => a.player.changeSpeed(1))
  onKey('z', a.skip)
  onKey('l', a.loop)
  onKey('g', a.follow)
  onKey('d', a.doubts)
  onKey('e', a.write)
  onKey('k', () => a.mark('key'))
  onKey('x', () => a.mark('exam'))
  onKey('w', () => a.mark('unclear'))
  onKey('t', () => a.mark('note'))
  onKey('o', a.take)
  onKey('/', a.find)
  onKey('a', () => a.open('ask'))
  onKey('u', () => a.open('summary'))
  onKey('h', () => a.open('sheets'))
  onKey('c', () => a.open('cards'))
  onKey('q', () => a.open('quiz'))
  onKey('M', () => a.open('marks'))
  onKey('j', () => a.open('subject'))
  onKey('p', () => a.open('plan'))
  onKey('Escape', () => a.open(null))
  // With Alt the same while something is selected in the text, where a letter alone would be typed.
  const marking: Record<string, () => void> = {
    KeyK: () => a.mark('key'),
    KeyX: () => a.mark('exam'),
    KeyW: () => a.mark('unclear'),
    KeyT: () => a.mark('note'),
    KeyL: a.loop,
    KeyD: a.doubts,
  }
  onKeyStroke(true, (event) => {
    const action = marking[event.code]
    if (!event.altKey || event.ctrlKey || event.metaKey || !action) return
    event.preventDefault()
    action()
  })
  onKeyStroke(['f', 'z', 'y', 'Z'], (event) => {
    if (!event.ctrlKey && !event.metaKey) return
    const key = event.key.toLowerCase()
    if (key === 'f') {
      // The browser's own find would look only through what it has laid out.
      event.preventDefault()
      a.find()
    } else if (!isTyping(event)) {
      event.preventDefault()
      if (key === 'y' || event.shiftKey) a.redo()
      else a.undo()
    }
  })
}
