<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import type { Edit, Mark, Passage, Transcript } from '@/api/client'
import { indexAt } from '@/shared/time'
import ChapterHeading from './ChapterHeading.vue'
import PassageRow from './PassageRow.vue'
import { placeCaret, type Way } from './caret'
import { useSpokenWord, usePassages } from './usePassages'

const props = defineProps<{
  transcript: Transcript
  language: string
  timeMs: number
  isPlaying: boolean
  sourceMs: number | null
  marks: readonly Mark[]
  hidesFillers: boolean
  canEdit: boolean
}>()
const emit = defineEmits<{
  hear: [ms: number]
  point: [ms: number]
  name: [speakerId: string]
  edit: [edit: Edit]
  typing: [isTyping: boolean]
  leave: [before: string, after: string]
  step: [way: 'undo' | 'redo']
  menu: [passage: Passage, target: HTMLElement]
  mark: [mark: Mark]
}>()

const isFollowing = ref(true)
let scrolledByUs = 0
const passages = usePassages(() => props.transcript)
const starts = computed(() => props.transcript.passages.map((p) => p.startMs))
const current = computed(() => Math.max(0, indexAt(starts.value, props.timeMs)))
const source = computed(() => (props.sourceMs === null ? -1 : indexAt(starts.value, props.sourceMs)))
const spoken = useSpokenWord(
  passages,
  () => props.transcript,
  current,
  () => props.timeMs,
)

const names = computed(() => new Map(props.transcript.speakers.map((s) => [s.id, s])))
/** Passages under their chapters; one nameless chapter while there are none yet. */
const chapters = computed(() => {
  const { chapters: found, passages: all, speakers } = props.transcript
  const several = speakers.length > 1
  const rows = all.map((passage, index) => ({
    passage,
    index,
    speaker:
      several && passage.speakerId !== all[index - 1]?.speakerId
        ? (names.value.get(passage.speakerId)?.name ?? null)
        : null,
    isQuestion: several && names.value.get(passage.speakerId)?.asks === true,
  }))
  if (found.length === 0) return [{ chapter: null, rows }]
  return found.map((chapter) => ({
    chapter,
    rows: rows.filter((r) => r.passage.startMs >= chapter.startMs && r.passage.startMs < chapter.endMs),
  }))
})
const marksOf = computed(() => {
  const found = new Map<string, Mark[]>()
  for (const m of props.marks) {
    const passage = props.transcript.passages[Math.max(0, indexAt(starts.value, m.startMs))]
    if (passage) found.set(passage.id, [...(found.get(passage.id) ?? []), m])
  }
  return found
})
const none: Mark[] = []

function show(index: number, block: ScrollLogicalPosition = 'center') {
  const element = passages.element(index)
  if (!element) return
  scrolledByUs = Date.now()
  element.scrollIntoView({
    block,
    behavior: matchMedia('(prefers-reduced-motion: reduce)').matches ? 'auto' : 'smooth',
  })
}

function scrolled() {
  if (props.isPlaying && Date.now() - scrolledByUs > 1200) isFollowing.value = false
}
function comeBack() {
  isFollowing.value = true
  show(current.value)
}
watch(current, (index) => {
  if (isFollowing.value && props.isPlaying) show(index)
})

/** Brings a moment into view, whether or not it is played. */
async function bring(ms: number) {
  isFollowing.value = true
  await nextTick()
  show(Math.max(0, indexAt(starts.value, ms)))
}

/** Puts the caret into a word. */
async function enter(index: number, offset: number) {
  await nextTick()
  const element = passages.element(index)
  if (!element) return
  element.focus({ preventScroll: true })
  placeCaret(element, offset)
  element.scrollIntoView({ block: 'nearest' })
}

function write() {
  const word = spoken.value
  const layout = passages.layout(current.value)
  void enter(current.value, layout?.from[Math.max(0, layout.words.indexOf(word))] ?? 0)
}

function move(index: number, way: Way) {
  const to = way === 'up' || way === 'left' ? index - 1 : index + 1
  const length = passages.element(to)?.textContent?.length
  if (length === undefined) return
  void enter(to, way === 'up' || way === 'left' ? length : 0)
}

async function split(index: number, passage: Passage, atWord: number) {
  if (atWord <= 0 || atWord >= passage.startsMs.length) return
  await nextTick()
  emit('edit', {
    kind: 'split',
    passageId: passage.id,
    expected: props.transcript.passages[index]?.text ?? passage.text,
    atWord,
  })
  after(() => enter(index + 1, 0))
}

async function join(index: number, way: 'before' | 'after') {
  const second = props.transcript.passages[way === 'before' ? index : index + 1]
  const first = props.transcript.passages[way === 'before' ? index - 1 : index]
  if (!first || !second) return
  emit('edit', { kind: 'join', passageId: second.id, expected: second.text })
  after(() => enter(way === 'before' ? index - 1 : index, first.text.length))
}

function boundary(passage: Passage, index: number, words: number) {
  const target = words > 0 ? passage : props.transcript.passages[index + 1]
  if (target && words !== 0) emit('edit', { kind: 'boundary', passageId: target.id, expected: target.text, words })
}

/** Once the next text is shown. */
function after(action: () => void) {
  const stop = watch(
    () => props.transcript,
    () => {
      stop()
      action()
    },
    { flush: 'post' },
  )
  setTimeout(stop, 4000)
}

const hearWord = (passage: Passage, word: number) => emit('hear', passage.startsMs[word] ?? passage.startMs)
defineExpose({ bring, scrolled, comeBack, write, passages, spoken })
</script>

<template>
  <article class="page" :lang="language">
    <section v-for="(c, i) in chapters" :key="c.chapter?.startMs ?? 0" :aria-label="c.chapter?.title || 'Transcript'">
      <ChapterHeading
        v-if="c.chapter"
        :chapter="c.chapter"
        :is-first="i === 0"
        :can-edit="canEdit"
        @rename="emit('edit', { kind: 'chapter', startMs: c.chapter.startMs, title: $event })"
        @join="emit('edit', { kind: 'endChapter', startMs: c.chapter.startMs })"
      />
      <PassageRow
        v-for="r in c.rows"
        :key="r.passage.id"
        :ref="(row) => passages.attach(r.passage.id, row)"
        :data-passage="r.index"
        :data-spoken="r.index === current && spoken >= 0 ? spoken : undefined"
        :passage="r.passage"
        :speaker="r.speaker"
        :marks="marksOf.get(r.passage.id) ?? none"
        :is-source="r.index === source"
        :is-current="r.index === current"
        :is-question="r.isQuestion"
        :hides-fillers="hidesFillers"
        :can-edit="canEdit"
        :unsure-below="transcript.unsureBelow"
        :guessed-below="transcript.guessedBelow"
        @hear="hearWord(r.passage, $event)"
        @word="emit('point', r.passage.startsMs[$event] ?? r.passage.startMs)"
        @name="emit('name', r.passage.speakerId)"
        @menu="emit('menu', r.passage, $event)"
        @mark="emit('mark', $event)"
        @typing="emit('typing', $event)"
        @save="emit('edit', { kind: 'rewrite', passageId: r.passage.id, expected: r.passage.text, text: $event })"
        @split="split(r.index, r.passage, $event)"
        @join="join(r.index, $event)"
        @boundary="boundary(r.passage, r.index, $event)"
        @leave="(before: string, now: string) => emit('leave', before, now)"
        @move="move(r.index, $event)"
        @step="emit('step', $event)"
        @entered="isFollowing = !isPlaying"
      />
    </section>
    <button v-if="!isFollowing && isPlaying" class="back" type="button" @click="comeBack">
      Back to what is being said
    </button>
  </article>
</template>

<style scoped>
.back {
  position: sticky;
  bottom: 14px;
  display: block;
  margin: 0 auto;
  background: var(--ink);
  color: var(--paper);
  padding: 5px 14px;
  font-weight: 600;
}
</style>
