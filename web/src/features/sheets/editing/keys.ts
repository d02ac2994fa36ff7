import { Extension } from '@tiptap/core'
import type { Command } from '@tiptap/pm/state'
import { Plugin } from '@tiptap/pm/state'
import { backspace, enter, move, paste, takeOut } from './commands'

/** The keys of a sheet that is worded, and what is pasted into it. */
export const SheetKeys = Extension.create({
  name: 'sheetKeys',
  addKeyboardShortcuts() {
    const run = (command: Command) => () => command(this.editor.state, this.editor.view.dispatch, this.editor.view)
    return {
      Enter: run(enter),
      Backspace: run(backspace),
      'Alt-ArrowUp': run(move(-1)),
      'Alt-ArrowDown': run(move(1)),
      'Mod-Shift-Backspace': run(takeOut),
    }
  },
  addProseMirrorPlugins: () => [
    new Plugin({
      props: {
        handlePaste: (view, event) =>
          paste(event.clipboardData?.getData('text/plain') ?? '')(view.state, view.dispatch),
        handleDrop: () => true,
      },
    }),
  ],
})
