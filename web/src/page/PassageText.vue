<script setup lang="ts">
import { computed, inject, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import type { Passage } from '@/api/client'
import { useRanges, rangeIn } from './highlights'
import { lectureIdKey } from './lectureId'
import { forgetTyped, keepTyped, sendTyped } from './typedWords'
import { layOut, plain, shownWordAt, wordsBefore } from './text'
import { caretOffset, isOnEdgeLine, placeCaret, type Way } from './caret'

const props = defineProps<{
  passage: Passage
  label: string
  hidesFillers: boolean
  guessedBelow: number
  isCurrent: boolean
  isQuestion: boolean
  canEdit: boolean
  /** Stores what was typed over the text that the person saw; says whether that was done. */
  save: (expected: string, text: string) => Promise<boolean>
}>()
const emit = defineEmits<{
  /** A word was clicked; hears it if the sound is on. */
  word: [index: number]
  /** The text is being typed in and not saved yet. */
  typing: [isTyping: boolean]
  split: [atWord: number]
  join: [way: 'before' | 'after']
  boundary: [words: number]
  leave: [before: string, after: string]
  move: [way: Way]
  hear: [word: number]
  step: [way: 'undo' | 'redo']
  entered: []
}>()

const saveAfterMs = 900
const lectureId = inject(lectureIdKey, ref(''))
const element = ref<HTMLElement>()
const isFocused = ref(false)
const layout = computed(() =>
  layOut(props.passage.text, props.hidesFillers && !isFocused.value ? props.passage.fillers : []),
)
const unsure = useRanges('unsure')
const guessed = useRanges('guessed')
let before = ''
/** What is stored as far as this window knows. It goes on being that while another window changes the passage under what is typed. */
let stored = ''
let sending = ''
let refused: string | null = null
let isSaving = false
let hasTyped = false
let saving: Promise<void> | null = null
let timer: ReturnType<typeof setTimeout> | undefined

const typed = () => plain(element.value?.textContent ?? '')
const isDirty = () => hasTyped && typed() !== stored

/** Shows the passage, unless the person has typed something else meanwhile. */
function render(force = false) {
  const p = element.value
  if (!p || (!force && (isSaving || isDirty()))) return
  hasTyped = false
  stored = props.passage.text
  if (p.textContent !== layout.value.text && (force || !isFocused.value || typed() !== props.passage.text)) {
    const caret = isFocused.value ? caretOffset(p) : null
    p.textContent = layout.value.text
    if (caret !== null) placeCaret(p, Math.min(caret, layout.value.text.length))
  }
  underline()
}

function underline() {
  const l = layout.value
  const ranges = (below: (chance: number) => boolean) =>
    props.passage.doubts
      .filter((d) => below(d.chance))
      .map((d) => l.words.indexOf(d.word))
      .filter((i) => i >= 0)
      .map((i) => rangeIn(element.value, l.from[i] ?? 0, l.to[i] ?? 0))
      .filter((r) => r !== null)
  unsure.set(ranges((c) => c >= props.guessedBelow))
  guessed.set(ranges((c) => c < props.guessedBelow))
}

watch(
  () => [props.passage, layout.value],
  () => render(),
  { flush: 'post' },
)
onMounted(() => render(true))
/** The page goes, and there is no time to wait for an answer. What is on its way is taken for stored: the browser finishes sending it. */
function pageGoes() {
  const text = typed()
  if (!isDirty() || !text || text === refused || (isSaving && sending === text)) return
  sendTyped(lectureId.value, { passageId: props.passage.id, expected: isSaving ? sending : stored, text })
  // A page that comes back out of the browser's memory does not send it again.
  if (!isSaving) stored = text
}
onBeforeUnmount(() => {
  removeEventListener('pagehide', pageGoes)
  clearTimeout(timer)
  const passageId = props.passage.id
  if (isDirty() && typed())
    void props.save(stored, typed()).then((isDone) => isDone && forgetTyped(lectureId.value, passageId))
  unsure.clear()
  guessed.clear()
})

function input() {
  clearTimeout(timer)
  hasTyped = true
  emit('typing', true)
  // A passage that is emptied on the way to another wording is not deleted meanwhile, nor by a reload.
  if (typed())
    keepTyped(lectureId.value, { passageId: props.passage.id, expected: isSaving ? sending : stored, text: typed() })
  timer = setTimeout(() => void flush(false), saveAfterMs)
}

/** Stores what was typed; done when all of it is, or when it was refused. */
function flush(mayBeEmpty: boolean): Promise<void> {
  clearTimeout(timer)
  emit('typing', false)
  saving ??= store(mayBeEmpty).finally(() => (saving = null))
  return saving
}

async function store(mayBeEmpty: boolean): Promise<void> {
  const text = typed()
  if (!isDirty()) forgetTyped(lectureId.value, props.passage.id)
  if (!isDirty() || text === refused || (!mayBeEmpty && !text)) return
  isSaving = true
  sending = text
  const isDone = await props.save(stored, text)
  isSaving = false
  refused = isDone ? null : text
  if (!isDone) return
  stored = text
  // What was typed while that was on its way.
  if (isDirty()) await store(false)
  else {
    forgetTyped(lectureId.value, props.passage.id)
    render()
  }
}

function focused() {
  const p = element.value
  if (!p) return
  const shown = layout.value
  const at = caretOffset(p)
  isFocused.value = true
  addEventListener('pagehide', pageGoes)
  before = props.passage.text
  if (!isDirty()) stored = props.passage.text
  refused = null
  if (!isDirty() && p.textContent !== layout.value.text) {
    // Hidden words are shown where one types; the caret stays at its word.
    const word = shown.words[shownWordAt(shown, at ?? 0)] ?? 0
    const into = (at ?? 0) - (shown.from[shownWordAt(shown, at ?? 0)] ?? 0)
    render(true)
    placeCaret(p, (layout.value.from[word] ?? 0) + into)
  }
  emit('entered')
}

function blurred() {
  const after = typed()
  const isRefused = after === refused
  void flush(true).finally(() => isFocused.value || removeEventListener('pagehide', pageGoes))
  isFocused.value = false
  if (isRefused) render(true)
  else if (after !== before) emit('leave', before, after)
}

function clicked() {
  const at = element.value ? caretOffset(element.value) : null
  if (at === null || !getSelection()?.isCollapsed) return
  emit('word', layout.value.words[shownWordAt(layout.value, at)] ?? 0)
}

function key(event: KeyboardEvent) {
  const p = element.value
  if (!p) return
  const at = caretOffset(p) ?? 0
  const text = p.textContent ?? ''
  const isAlone = getSelection()?.isCollapsed ?? true
  const done = (action: () => void) => {
    event.preventDefault()
    event.stopPropagation()
    action()
  }
  const word = wordsBefore(text, at)
  if (event.ctrlKey || event.metaKey) {
    const letter = event.key.toLowerCase()
    if (letter === 'z' || letter === 'y') {
      done(() => {
        void flush(false).then(() => emit('step', letter === 'y' || event.shiftKey ? 'redo' : 'undo'))
      })
    } else if (event.key === 'Enter') done(() => emit('hear', shownWordAt(layout.value, at)))
  } else if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
    const up = event.key === 'ArrowUp'
    done(() => {
      void flush(false).then(() => emit('boundary', up ? word : -(plain(text).split(' ').length - word)))
    })
  } else if (event.key === 'Enter' && !event.isComposing) {
    done(() => {
      void flush(false).then(() => emit('split', word))
    })
  } else if (event.key === 'Escape') done(() => p.blur())
  else if (event.key === 'Backspace' && isAlone && at === 0) done(() => emitJoin('before'))
  else if (event.key === 'Delete' && isAlone && at === text.length) done(() => emitJoin('after'))
  else if (event.key === 'ArrowLeft' && at === 0 && isAlone && !event.shiftKey) done(() => emit('move', 'left'))
  else if (event.key === 'ArrowRight' && at === text.length && isAlone && !event.shiftKey)
    done(() => emit('move', 'right'))
  else if (event.key === 'ArrowUp' && !event.shiftKey && isOnEdgeLine(p, 'up')) done(() => emit('move', 'up'))
  else if (event.key === 'ArrowDown' && !event.shiftKey && isOnEdgeLine(p, 'down')) done(() => emit('move', 'down'))
}

function emitJoin(way: 'before' | 'after') {
  void flush(false).then(() => emit('join', way))
}

defineExpose({ element, layout })
</script>

<template>
  <p
    ref="element"
    :contenteditable="canEdit ? 'plaintext-only' : 'false'"
    :class="{ question: isQuestion }"
    role="textbox"
    aria-multiline="true"
    :aria-label="label"
    :aria-readonly="!canEdit"
    :tabindex="isCurrent ? 0 : -1"
    spellcheck="false"
    @input="input"
    @focus="focused"
    @blur="blurred"
    @click="clicked"
    @keydown="key"
  ></p>
</template>

<style scoped>
p {
  font: 400 var(--reading-size) / 1.6 var(--serif);
  margin: 0 0 13px;
  min-width: 0;
  overflow-wrap: anywhere;
  cursor: text;
  outline: none;
  white-space: pre-wrap;
  text-underline-offset: 4px;
}
p:focus {
  box-shadow:
    -9px 0 0 var(--paper),
    -11px 0 0 var(--act);
}
p.question {
  font-style: italic;
  color: var(--soft);
}
</style>
