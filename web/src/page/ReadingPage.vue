<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import type { Edit, Mark, Passage, Transcript } from '@/api/client'
import { indexAt } from '@/shared/time'
import ChapterHeading from './ChapterHeading.vue'
import PassageRow from './PassageRow.vue'
import { placeCaret, type Way } from './caret'
import type { DoubtsShown } from './highlights'
import type { PassageActions } from './passageActions'
import { useLaidOut } from './useLaidOut'
import { usePageRows } from './usePageRows'
import { useSpokenWord, usePassages } from './usePassages'

const props = defineProps<{
  transcript: Transcript
  language: string
  /** Whether its chapters have pictures. */
  hasPicture: boolean
  timeMs: number
  isPlaying: boolean
  sourceMs: number | null
  marks: readonly Mark[]
  hidesFillers: boolean
  doubtsShown: DoubtsShown
  canEdit: boolean
  /** Does an edit; says whether it was done. */
  edit: (edit: Edit) => Promise<boolean>
}>()
const emit = defineEmits<{
  hear: [ms: number]
  point: [ms: number]
  name: [speakerId: string]
  typing: [isTyping: boolean]
  leave: [before: string, after: string]
  step: [way: 'undo' | 'redo']
  menu: [passage: Passage, target: HTMLElement]
  mark: [mark: Mark]
  /** More of the text is on the page, so that marks can be drawn over it. */
  drawn: []
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

const { isReady, want, heightOf, isWhole } = useLaidOut(() => props.transcript.passages.length, settle)
const chapters = usePageRows(() => props.transcript, isReady, heightOf)
const marksOf = computed(() => {
  const found = new Map<string, Mark[]>()
  for (const m of props.marks) {
    const passage = props.transcript.passages[Math.max(0, indexAt(starts.value, m.startMs))]
    if (passage) found.set(passage.id, [...(found.get(passage.id) ?? []), m])
  }
  return found
})
const none: Mark[] = []

/** A chapter begins so many passages later, or earlier. */
function moveChapter(startMs: number, step: number) {
  const passage = props.transcript.passages[indexAt(starts.value, startMs) + step]
  if (passage) void props.edit({ kind: 'moveChapter', startMs, passageId: passage.id })
}

/** Where the page was brought while it was still being laid out: what comes in above would move it away again. */
let brought: number | null = null
function settle() {
  if (brought !== null) passages.element(brought)?.scrollIntoView({ block: 'center', behavior: 'instant' })
  brought = null
  emit('drawn')
}

async function show(index: number, block: ScrollLogicalPosition = 'center') {
  if (!isWhole()) brought = index
  if (want(index)) await nextTick()
  const element = passages.element(index)
  if (!element) return
  scrolledByUs = Date.now()
  element.scrollIntoView({
    block,
    behavior: !isWhole() || matchMedia('(prefers-reduced-motion: reduce)').matches ? 'instant' : 'smooth',
  })
}

function scrolled() {
  if (props.isPlaying && Date.now() - scrolledByUs > 1200) isFollowing.value = false
}
function comeBack() {
  isFollowing.value = true
  void show(current.value)
}
watch(current, (index) => {
  if (isFollowing.value && props.isPlaying) void show(index)
})

/** Brings a moment into view, whether or not it is played. */
async function bring(ms: number) {
  isFollowing.value = true
  await nextTick()
  await show(Math.max(0, indexAt(starts.value, ms)))
}

/** Puts the caret into a word. */
async function enter(index: number, offset: number) {
  want(index)
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
  void props.edit({
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
  void props.edit({ kind: 'join', passageId: second.id, expected: second.text })
  after(() => enter(way === 'before' ? index - 1 : index, first.text.length))
}

function boundary(passage: Passage, index: number, words: number) {
  const target = words > 0 ? passage : props.transcript.passages[index + 1]
  if (target && words !== 0) void props.edit({ kind: 'boundary', passageId: target.id, expected: target.text, words })
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

const actions: PassageActions = {
  attach: passages.attach,
  hear: (p, word) => emit('hear', p.startsMs[word] ?? p.startMs),
  word: (p, word) => emit('point', p.startsMs[word] ?? p.startMs),
  name: (p) => emit('name', p.speakerId),
  menu: (p, target) => emit('menu', p, target),
  mark: (m) => emit('mark', m),
  typing: (is) => emit('typing', is),
  save: (p, expected, text) => props.edit({ kind: 'rewrite', passageId: p.id, expected, text }),
  split,
  join,
  boundary: (index, p, words) => boundary(p, index, words),
  leave: (before, now) => emit('leave', before, now),
  move,
  step: (way) => emit('step', way),
  entered: () => (isFollowing.value = !props.isPlaying),
}
defineExpose({ bring, scrolled, comeBack, write, passages, spoken })
</script>

<template>
  <article class="page" :lang="language" @wheel.passive="brought = null" @touchmove.passive="brought = null">
    <section v-for="(c, i) in chapters" :key="c.chapter?.startMs ?? 0" :aria-label="c.chapter?.title || 'Transcript'">
      <ChapterHeading
        v-if="c.chapter && chapters.length > 1"
        :chapter="c.chapter"
        :is-first="i === 0"
        :can-edit="canEdit"
        :has-picture="hasPicture"
        @hear="emit('hear', c.chapter.startMs)"
        @rename="edit({ kind: 'chapter', startMs: c.chapter.startMs, title: $event })"
        @join="edit({ kind: 'endChapter', startMs: c.chapter.startMs })"
        @move="moveChapter(c.chapter.startMs, $event)"
      />
      <div v-for="b in c.blocks" :key="b.key" class="block" :style="{ containIntrinsicHeight: `auto ${b.height}px` }">
        <template v-for="r in b.rows" :key="r.key">
          <div v-if="r.gap" :style="{ height: `${r.gap}px` }" />
          <PassageRow
            v-else
            :data-passage="r.index"
            :data-spoken="r.index === current && spoken >= 0 ? spoken : undefined"
            :passage="r.passage"
            :index="r.index"
            :speaker="r.speaker"
            :marks="marksOf.get(r.passage.id) ?? none"
            :is-source="r.index === source"
            :is-current="r.index === current"
            :is-question="r.isQuestion"
            :hides-fillers="hidesFillers"
            :can-edit="canEdit"
            :doubts-shown="doubtsShown"
            :unsure-below="transcript.unsureBelow"
            :guessed-below="transcript.guessedBelow"
            :actions="actions"
          />
        </template>
      </div>
    </section>
    <button v-if="!isFollowing && isPlaying" class="back" type="button" @click="comeBack">
      Back to what is being said
    </button>
  </article>
</template>

<style scoped>
.block {
  content-visibility: auto;
}
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
