<script setup lang="ts">
import { Editor } from '@tiptap/core'
import { redo, undo } from '@tiptap/pm/history'
import type { Command } from '@tiptap/pm/state'
import { onBeforeUnmount, onMounted, shallowRef, triggerRef, useTemplateRef } from 'vue'
import type { Sheet } from '@/api/client'
import { forgetField, offerField } from '@/features/dictate/fieldText'
import { addHeading, addLine, move, takeOut } from './commands'
import { contentOf, partsOf } from './content'
import { editorField } from './field'
import { sheetNodes } from './nodes'

/** A sheet while it is worded: written on as on paper, with its lines to be moved, taken out and added. */
const props = defineProps<{ sheet: Pick<Sheet, 'id' | 'parts' | 'columns'> }>()
const paper = useTemplateRef<HTMLElement>('paper')
const tools = useTemplateRef<HTMLElement>('tools')
const editor = shallowRef<Editor | null>(null)
const isMac = /Mac|iP(?:hone|ad)/.test(navigator.userAgent)

onMounted(() => {
  const it = new Editor({
    element: paper.value!,
    extensions: sheetNodes(props.sheet.columns),
    content: contentOf(props.sheet),
    injectCSS: false,
    autofocus: 'start',
    editorProps: {
      attributes: { role: 'textbox', 'aria-multiline': 'true', 'aria-label': 'What stands on the sheet' },
    },
    onTransaction: () => triggerRef(editor),
  })
  offerField(it.view.dom, editorField(it, tools.value!))
  editor.value = it
})
onBeforeUnmount(() => {
  if (!editor.value) return
  forgetField(editor.value.view.dom)
  editor.value.destroy()
})
defineExpose({ parts: () => (editor.value ? partsOf(editor.value.state.doc) : []) })

function run(command: Command) {
  const it = editor.value
  if (!it) return
  it.view.focus()
  command(it.state, it.view.dispatch, it.view)
}
const can = (command: Command) => !!editor.value && command(editor.value.state)
interface Act {
  title: string
  short?: string
  keys?: string
  command: Command
}
const adding: Act[] = [
  { title: 'Add a line', command: addLine },
  { title: 'Add a heading', command: addHeading },
  { title: 'Undo', command: undo },
  { title: 'Redo', command: redo },
]
const moving: Act[] = [
  { title: 'Move up', short: 'Up', keys: 'Alt ↑', command: move(-1) },
  { title: 'Move down', short: 'Down', keys: 'Alt ↓', command: move(1) },
  { title: 'Take out', keys: `${isMac ? '⌘' : 'Ctrl'} ⇧ ⌫`, command: takeOut },
]
</script>

<template>
  <div ref="tools" class="tools" role="toolbar" aria-label="The line with the caret">
    <p v-for="(acts, row) in [adding, moving]" :key="row">
      <button
        v-for="a in acts"
        :key="a.title"
        class="k-link"
        type="button"
        :title="a.keys"
        :aria-label="a.short && a.title"
        :disabled="!can(a.command)"
        @mousedown.prevent
        @click="run(a.command)"
      >
        {{ a.short ?? a.title }}
      </button>
    </p>
  </div>
  <div ref="paper" class="paper" />
</template>

<style scoped>
.tools {
  position: sticky;
  top: -18px;
  z-index: 1;
  padding: 8px 0 10px;
  background: var(--sheet);
  border-bottom: 1px solid var(--hair);
  font-size: 14px;
}
.tools p {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  min-height: 30px;
  align-items: center;
}
.tools button:disabled {
  color: var(--soft);
  opacity: 0.6;
  text-decoration: none;
  cursor: default;
}
.paper :deep([contenteditable]) {
  outline: none;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
  font: 400 16px/1.5 var(--serif);
}
.paper :deep(h3) {
  font: 600 16px/1.4 var(--sans);
  margin: 16px 0 6px;
}
.paper :deep(.line) {
  border-top: 1px solid var(--hair);
  padding: 8px 0;
}
.paper :deep(.row) {
  display: grid;
  gap: 4px;
}
/* The column of a cell stands above it. */
.paper :deep(.cell[data-column])::before {
  content: attr(data-column);
  display: block;
  font: 400 13px/1.4 var(--sans);
  color: var(--soft);
}
.paper :deep(img) {
  display: block;
  max-width: 100%;
  max-height: 300px;
  margin: 6px 0;
}
/* What could stand in an empty heading or line. */
.paper :deep(h3.is-empty)::before,
.paper :deep(.cell.is-empty:not([data-column]))::before {
  content: attr(data-placeholder);
  float: left;
  height: 0;
  color: var(--soft);
  pointer-events: none;
}
.paper :deep(.cell:has(.ProseMirror-trailingBreak:only-child)) {
  min-height: 24px;
}
</style>
