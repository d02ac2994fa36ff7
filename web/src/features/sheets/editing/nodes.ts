import { Node, type Extensions } from '@tiptap/core'
import HardBreak from '@tiptap/extension-hard-break'
import Text from '@tiptap/extension-text'
import { Placeholder, UndoRedo } from '@tiptap/extensions'
import { SheetKeys } from './keys'

/**
 * What a sheet is to its editor: parts of a heading and lines, each line of as many cells as the sheet has columns. A line
 * knows which it was before, so that its place in the lecture stays with it whatever becomes of its words.
 */
export function sheetNodes(columns: readonly string[]): Extensions {
  return [
    Node.create({ name: 'doc', topNode: true, content: 'part+' }),
    Node.create({
      name: 'part',
      content: 'heading line*',
      renderHTML: () => ['section', 0],
    }),
    Node.create({
      name: 'heading',
      content: 'text*',
      isolating: true,
      renderHTML: () => ['h3', 0],
    }),
    Node.create({
      name: 'line',
      content: `cell{${columns.length}}`,
      isolating: true,
      addAttributes: () => ({
        from: { default: null, rendered: false },
        picture: { default: null, rendered: false },
      }),
      renderHTML: ({ node }) => {
        const picture = node.attrs.picture as string | null
        const cells = ['div', { class: columns.length > 1 ? 'cells row' : 'cells' }, 0] as const
        return ['div', { class: 'line' }, cells, ...(picture ? [['img', { src: picture, alt: '' }] as const] : [])]
      },
    }),
    Node.create({
      name: 'cell',
      content: '(text | hardBreak)*',
      isolating: true,
      addAttributes: () => ({
        column: {
          default: 0,
          renderHTML: ({ column }) => ({ 'data-column': columns.length > 1 ? columns[column as number] : null }),
        },
      }),
      renderHTML: ({ HTMLAttributes }) => ['div', { class: 'cell', ...HTMLAttributes }, 0],
    }),
    Text,
    HardBreak,
    UndoRedo,
    SheetKeys,
    Placeholder.configure({
      showOnlyCurrent: false,
      includeChildren: true,
      placeholder: ({ node }) =>
        node.type.name === 'heading'
          ? 'Heading'
          : node.type.name === 'cell'
            ? columns[node.attrs.column as number]!
            : '',
    }),
  ]
}
