<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import type { Passage } from '@/api/client'
import { useRanges, rangeIn, type DoubtsShown } from './highlights'
import { layOut, plain, shownWordAt } from './text'
import { caretOffset, placeCaret, type Way } from './caret'
import { passageKey } from './passageKeys'
import { usePassageSaving } from './usePassageSaving'

const props = defineProps<{
  passage: Passage
  label: string
  hidesFillers: boolean
  /** Which doubtful words are underlined at rest; while somebody types here, all are. */
  doubtsShown: DoubtsShown
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

const element = ref<HTMLElement>()
const isFocused = ref(false)
const layout = computed(() =>
  layOut(props.passage.text, props.hidesFillers && !isFocused.value ? props.passage.fillers : []),
)
const unsure = useRanges('unsure')
const guessed = useRanges('guessed')
let before = ''

const typed = () => plain(element.value?.textContent ?? '')
const saving = usePassageSaving({
  id: () => props.passage.id,
  text: () => props.passage.text,
  typed,
  save: (expected, text) => props.save(expected, text),
  done: () => render(),
  typing: (isTyping) => emit('typing', isTyping),
})

/** Shows the passage, unless the person has typed something else meanwhile. */
function render(force = false) {
  const p = element.value
  if (!p || (!force && saving.isHeld())) return
  saving.shown()
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
  const shown = isFocused.value ? 'all' : props.doubtsShown
  unsure.set(shown === 'all' ? ranges((c) => c >= props.guessedBelow) : [])
  guessed.set(shown === 'none' ? [] : ranges((c) => c < props.guessedBelow))
}

watch(
  () => [props.passage, layout.value],
  () => render(),
  { flush: 'post' },
)
watch(() => [props.doubtsShown, isFocused.value], underline, { flush: 'post' })
onMounted(() => render(true))
onBeforeUnmount(() => {
  unsure.clear()
  guessed.clear()
})

function focused() {
  const p = element.value
  if (!p) return
  const shown = layout.value
  const at = caretOffset(p)
  isFocused.value = true
  before = props.passage.text
  saving.begin()
  if (!saving.isDirty() && p.textContent !== layout.value.text) {
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
  const isRefused = saving.isRefused(after)
  void saving.flush(true).finally(() => isFocused.value || saving.end())
  isFocused.value = false
  if (isRefused) render(true)
  else if (after !== before) emit('leave', before, after)
}

function clicked() {
  const at = element.value ? caretOffset(element.value) : null
  if (at === null || !getSelection()?.isCollapsed) return
  emit('word', layout.value.words[shownWordAt(layout.value, at)] ?? 0)
}

function pressed(event: KeyboardEvent) {
  const p = element.value
  const key = p && passageKey(event, p, layout.value)
  if (!key) return
  event.preventDefault()
  event.stopPropagation()
  if (key.does === 'hear') emit('hear', key.word)
  else if (key.does === 'leave') p.blur()
  else if (key.does === 'move') emit('move', key.way)
  // The rest changes the text, so what was typed goes first.
  else
    void saving.flush(false).then(() => {
      if (key.does === 'step') emit('step', key.way)
      else if (key.does === 'boundary') emit('boundary', key.words)
      else if (key.does === 'split') emit('split', key.atWord)
      else emit('join', key.way)
    })
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
    @input="saving.input"
    @focus="focused"
    @blur="blurred"
    @click="clicked"
    @keydown="pressed"
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
