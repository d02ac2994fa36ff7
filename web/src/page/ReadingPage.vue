<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import type { Transcript } from '@/api/client'
import { exactDuration, indexAt } from '@/shared/time'
import PassageBlock from './PassageBlock.vue'

const props = defineProps<{
  transcript: Transcript
  language: string
  timeMs: number
  isPlaying: boolean
  markedMs: number | null
}>()
const emit = defineEmits<{ hear: [ms: number]; name: [speakerId: string] }>()

const root = ref<HTMLElement>()
const isFollowing = ref(true)
let scrolledByUs = 0

const passageStarts = computed(() => props.transcript.passages.map((p) => p.startMs))
const passageNow = computed(() => indexAt(passageStarts.value, props.timeMs))
const wordNow = computed(() => {
  const passage = props.transcript.passages[passageNow.value]
  if (!passage || props.timeMs === 0) return -1
  let word = -1
  for (const w of passage.words) {
    if (w.startMs > props.timeMs) break
    word++
  }
  return word
})
const markedPassage = computed(() => (props.markedMs === null ? -1 : indexAt(passageStarts.value, props.markedMs)))

/** Passages under their chapters; one nameless chapter while there are none yet. */
const chapters = computed(() => {
  const { chapters: found, passages, speakers } = props.transcript
  const names = new Map(speakers.map((s) => [s.id, s.name]))
  const numbered = passages.map((passage, index) => ({
    passage,
    index,
    speaker:
      speakers.length > 1 && passage.speakerId !== passages[index - 1]?.speakerId
        ? (names.get(passage.speakerId) ?? null)
        : null,
  }))
  if (found.length === 0) return [{ title: '', startMs: 0, endMs: 0, passages: numbered }]
  return found.map((c) => ({
    ...c,
    passages: numbered.filter((p) => p.passage.startMs >= c.startMs && p.passage.startMs < c.endMs),
  }))
})

function show(index: number, block: ScrollLogicalPosition = 'center') {
  const element = root.value?.querySelector(`[data-passage="${index}"]`)
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
  show(passageNow.value)
}

watch(passageNow, (index) => {
  if (isFollowing.value && props.isPlaying && index >= 0) show(index)
})

/** Brings a moment into view, whether or not it is played. */
async function bring(ms: number) {
  isFollowing.value = true
  await nextTick()
  show(indexAt(passageStarts.value, ms))
}
defineExpose({ bring, scrolled })
</script>

<template>
  <article ref="root" class="page" :lang="language">
    <section v-for="(c, i) in chapters" :key="i" :aria-label="c.title || 'Transcript'">
      <h2 v-if="c.title">
        <span>{{ c.title }}</span> <small class="k-soft">{{ exactDuration(c.endMs - c.startMs) }}</small>
      </h2>
      <PassageBlock
        v-for="p in c.passages"
        :key="p.passage.id"
        :data-passage="p.index"
        :passage="p.passage"
        :speaker="p.speaker"
        :spoken="p.index === passageNow ? wordNow : -1"
        :marked="p.index === markedPassage"
        :unsure-below="transcript.unsureBelow"
        :guessed-below="transcript.guessedBelow"
        @hear="emit('hear', $event)"
        @name="emit('name', p.passage.speakerId)"
      />
    </section>
    <button v-if="!isFollowing && isPlaying" class="back" type="button" @click="comeBack">
      Back to what is being said
    </button>
  </article>
</template>

<style scoped>
h2 {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 16px;
  margin: 22px 0 7px;
}
h2 small {
  font: 400 13px var(--sans);
  white-space: nowrap;
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
