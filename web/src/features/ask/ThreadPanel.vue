<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { api, must, type Evidence, type Question, type ScopeKind } from '@/api/client'
import { usePutOnSheet } from '@/features/sheets/usePutOnSheet'
import { useNotice } from '@/shared/notice'
import { count, day } from '@/shared/time'
import { useLoaded } from '@/shared/useLoaded'
import QuestionBlock from './QuestionBlock.vue'
import ThreadHead from './ThreadHead.vue'
import WrittenBlock from './WrittenBlock.vue'
import { useThreads, type AskedPlace, type Taken } from './useThreads'

/** Asks a lecture, a course or everything, and keeps what was asked. */
const props = defineProps<{
  place: AskedPlace
  /** What is asked, in words for the field. */
  placeholder: string
  /** What to begin with in the field. */
  begin?: string
  /** The thread to open. */
  threadId?: number | null
  /** Only this stretch of the lecture. */
  stretch?: { fromMs: number; toMs: number } | null
  playing?: string | null
}>()
const emit = defineEmits<{
  hear: [line: Evidence]
  shown: [lines: Evidence[]]
  opened: [id: number | null]
  choose: [take: (startMs: number, endMs: number) => void]
  noted: []
}>()
const notice = useNotice()
const putOnSheet = usePutOnSheet()
const { threads, thread, questions, isBusy, load, open, reload, close, ask, rename, remove, choose, wrote } =
  useThreads(props.place)
const text = ref(props.begin ?? '')
const compares = ref(false)
const field = ref<HTMLInputElement>()
const body = ref<HTMLElement>()
const ofLecture = computed(() => props.place.lecture !== undefined)

onMounted(async () => {
  field.value?.focus({ preventScroll: true })
  await load()
  if (props.threadId) await open(props.threadId)
})
watch(
  () => props.threadId,
  (id) => {
    if (id && id !== thread.value?.id) void open(id)
  },
)
watch(
  () => props.begin,
  (begin) => begin && (text.value = begin),
)
watch(thread, (now) => emit('opened', now?.id ?? null))
watch(questions, (all) => {
  const last = all.at(-1)?.answer
  emit('shown', last && last.state !== 'notSaid' ? last.lines : [])
})
const { value: offered } = useLoaded(() =>
  must(api.GET('/api/questions/worth', { params: { query: { ...props.place } } })),
)
const { value: writers } = useLoaded(() => must(api.GET('/api/writer')))
const worth = computed(() => (offered.value ?? []).filter((q) => !threads.value.some((t) => t.title === q)))

async function send(question: string, taken: Taken = {}) {
  const stretch = props.stretch ? { fromMs: props.stretch.fromMs, toMs: props.stretch.toMs } : {}
  const isDone = await ask(question.trim(), { ...stretch, compares: compares.value, ...taken })
  if (!isDone) return
  if (question === text.value) text.value = ''
  await nextTick()
  const blocks = body.value?.querySelectorAll('article')
  blocks?.[blocks.length - 1]?.scrollIntoView({ block: 'start' })
}
/** What was taken off before stays off. */
const without = (q: Question, kind: ScopeKind) => send(q.text, { off: [...q.answer.off, kind] })

async function note(q: Question, line: Evidence) {
  const kept = await notice.attempt(() =>
    must(
      api.POST('/api/lectures/{id}/marks', {
        params: { path: { id: line.lectureId } },
        body: { kind: 'note', startMs: line.startMs, endMs: line.endMs, quote: line.quote, text: q.text },
      }),
    ),
  )
  if (!kept) return
  notice.tell('Kept as a note at its place in the margin.')
  emit('noted')
}
async function card(q: Question, line: Evidence) {
  const part = q.answer.state === 'said' && line === q.answer.lines[0] ? q.answer.parts[0] : undefined
  const isPart = part && part.to > part.from && part.to - part.from < line.quote.length
  const made = await notice.attempt(() =>
    must(
      api.POST('/api/lectures/{id}/cards/own', {
        params: { path: { id: line.lectureId } },
        body: {
          front: q.text,
          back: isPart ? `${line.quote.slice(part.from, part.to)}\n${line.quote}` : line.quote,
          startMs: line.startMs,
          endMs: line.endMs,
          withPicture: false,
        },
      }),
    ),
  )
  if (made) notice.tell('The card is among those of the lecture, and due today.')
}
const stretchOf = ({ startMs, endMs }: Evidence) => ({ startMs, endMs })
function pick(q: Question, line: Evidence | null) {
  if (line) void choose(q, line.lectureId, line.startMs, line.endMs)
  else emit('choose', (startMs, endMs) => void choose(q, props.place.lecture ?? '', startMs, endMs))
}
defineExpose({ send })
</script>

<template>
  <div ref="body" class="body">
    <template v-if="thread">
      <ThreadHead :thread="thread" @all="close" @rename="rename" @remove="remove(thread)" />
      <div aria-live="polite">
        <QuestionBlock
          v-for="q in questions"
          :key="q.id"
          :question="q"
          :of-lecture="ofLecture"
          :playing="playing ?? null"
          @hear="emit('hear', $event)"
          @taken="reload"
          @alone="send(q.text, { isAlone: true })"
          @literal="send($event)"
          @off="without(q, $event)"
          @note="note(q, $event)"
          @card="card(q, $event)"
          @sheet="putOnSheet($event.lectureId, { ...stretchOf($event), text: `${q.text}\n${$event.quote}` })"
          @choose="pick(q, $event)"
        >
          <WrittenBlock
            v-if="q.written || writers?.writer?.isOn"
            :question="q"
            :writers="writers ?? { writer: null, instructions: [] }"
            @hear="emit('hear', $event)"
            @changed="wrote(q, $event)"
          />
        </QuestionBlock>
      </div>
    </template>
    <template v-else>
      <p class="k-soft lead">
        <slot name="lead" />
      </p>
      <div v-if="worth.length" class="list">
        <b>Worth asking</b>
        <button v-for="q in worth" :key="q" class="k-link" type="button" @click="send(q)">{{ q }}</button>
      </div>
      <div v-if="threads.length" class="list">
        <b>Asked before</b>
        <p v-for="t in threads" :key="t.id" class="before">
          <button class="k-quiet" type="button" @click="open(t.id)">{{ t.title }}</button>
          <small class="k-soft">
            {{
              [t.questionCount > 1 ? count(t.questionCount, 'question') : '', day(t.changedAt)]
                .filter(Boolean)
                .join(' · ')
            }}
          </small>
        </p>
      </div>
    </template>
  </div>
  <form class="ask" @submit.prevent="send(text)">
    <slot name="within" />
    <div class="field">
      <input
        ref="field"
        v-model="text"
        data-dictate
        maxlength="500"
        :placeholder="placeholder"
        :aria-label="placeholder"
      />
      <label v-if="!ofLecture" class="compare k-soft">
        <input v-model="compares" type="checkbox" /> Compare the lectures
      </label>
      <button class="k-link" type="submit" :disabled="!text.trim() || isBusy">Ask</button>
    </div>
  </form>
</template>

<style scoped>
.body {
  flex: 1;
  overflow-y: auto;
  padding: 6px 24px 16px;
}
.lead {
  max-width: 460px;
}
.list {
  margin-top: 24px;
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 2px;
}
.list button {
  text-align: left;
}
.before {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 12px;
  overflow-wrap: anywhere;
}
.ask {
  margin: 0 24px 18px;
}
.field {
  display: flex;
  align-items: baseline;
  gap: 14px;
  border-bottom: 1px solid var(--ink);
}
.field input:not([type]) {
  flex: 1;
  min-width: 0;
  padding: 8px 2px;
  color: var(--ink);
  outline: 0;
}
.field:focus-within {
  border-bottom: 2px solid var(--act);
  margin-bottom: -1px;
}
.field input::placeholder {
  color: var(--soft);
  opacity: 1;
}
.compare {
  font-size: 14px;
  white-space: nowrap;
}
@media (max-width: 620px) {
  .field:has(.compare) {
    flex-wrap: wrap;
  }
  .field:has(.compare) input:not([type]) {
    flex-basis: 100%;
  }
}
</style>
