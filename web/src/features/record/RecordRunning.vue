<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, must, type HeardCorrection, type LostThread, type MarkKind } from '@/api/client'
import { onKey } from '@/shared/keys'
import { useNotice } from '@/shared/notice'
import { clock, count } from '@/shared/time'
import HeardText from './HeardText.vue'
import LevelBar from './LevelBar.vue'
import RecordAsk from './RecordAsk.vue'
import { useRecorder } from './recorder'

/** While a recording runs: its text, and what one does in class with one key. */
const recorder = useRecorder()
const notice = useNotice()
const router = useRouter()
const note = ref('')
const picker = ref<HTMLInputElement>()
const thread = ref<LostThread | null>(null)
const minutes = 3

const names: Partial<Record<MarkKind, string>> = { key: 'Key', unclear: 'Unclear', note: 'Note' }
const mark = (kind: MarkKind, text = '') => notice.attempt(() => recorder.mark(kind, text))
async function keepNote() {
  const text = note.value.trim()
  if (!text) return
  note.value = ''
  await mark('note', text)
}
async function lost() {
  const params = { path: { id: recorder.recording!.id }, query: { minutes } }
  thread.value = (await notice.attempt(() => must(api.GET('/api/recordings/{id}/thread', { params })))) ?? null
}
const toggle = () => (recorder.state === 'running' ? recorder.pause() : void recorder.goOn())
async function finish() {
  const lecture = await notice.attempt(recorder.finish)
  if (lecture) void router.push({ name: 'lecture', params: { id: lecture } })
}
async function addPictures(files: Iterable<File>) {
  for (const file of files) await notice.attempt(() => recorder.addPicture(file))
}
async function chosen() {
  await addPictures([...(picker.value?.files ?? [])])
  if (picker.value) picker.value.value = ''
}
useEventListener(document, 'paste', (event: ClipboardEvent) => {
  const files = [...(event.clipboardData?.files ?? [])].filter((f) => f.type.startsWith('image/'))
  if (!files.length) return
  event.preventDefault()
  void addPictures(files)
})
const correct = (c: HeardCorrection) => notice.attempt(() => recorder.correct(c))
/** The last ones, each with its place in the list. */
const lastMarks = computed(() => recorder.marks.map((m, i) => ({ ...m, number: i })).slice(-6))
onKey('i', () => picker.value?.click())
onKey('k', () => void mark('key'))
onKey('w', () => void mark('unclear'))
onKey('y', () => void lost())
onKey(' ', toggle)
</script>

<template>
  <p class="k-soft">
    {{ recorder.recording?.title
    }}<template v-if="recorder.recording?.course">, {{ recorder.recording.course }}</template
    >{{ recorder.recording?.keepsSound ? '' : '. Only the text is kept' }}
  </p>
  <div class="now">
    <b class="k-time" role="timer">{{ clock(recorder.atMs) }}</b>
    <span>{{ recorder.state === 'running' ? 'Recording' : recorder.state === 'ending' ? 'Ending' : 'Paused' }}</span>
    <v-btn variant="outlined" :disabled="recorder.state === 'ending'" @click="toggle">
      {{ recorder.state === 'running' ? 'Pause' : 'Go on' }}
    </v-btn>
    <v-btn :loading="recorder.state === 'ending'" @click="finish">Finish</v-btn>
  </div>
  <LevelBar v-if="recorder.state === 'running'" :level="recorder.level" :verdict="recorder.verdict" />
  <p v-if="recorder.problem" class="problem" role="alert">
    {{ recorder.problem }}
    <template v-if="recorder.unsent > 4"
      >{{ count(Math.ceil(recorder.unsent / 4), 'second') }} wait to be sent.</template
    >
  </p>
  <HeardText
    :words="recorder.words"
    :tentative="recorder.tentative"
    :can-correct="recorder.state === 'paused'"
    @correct="correct"
  />
  <p v-if="recorder.state === 'paused' && recorder.words.length" class="hint k-soft">
    Click a sentence to put it right; it stays so.
  </p>
  <div class="marking">
    <button class="k-link" type="button" @click="mark('key')">Key <span class="k-key">k</span></button>
    <button class="k-link" type="button" @click="mark('unclear')">Unclear <span class="k-key">w</span></button>
    <button class="k-link" type="button" @click="lost">Lost the thread <span class="k-key">y</span></button>
    <button class="k-link" type="button" @click="picker?.click()">Picture <span class="k-key">i</span></button>
    <input
      ref="picker"
      class="picker"
      type="file"
      accept="image/*"
      capture="environment"
      tabindex="-1"
      aria-label="Choose or take a picture"
      @change="chosen"
    />
    <span class="break" />
    <form class="note" @submit.prevent="keepNote">
      <input v-model="note" maxlength="5000" placeholder="A note at this moment" aria-label="A note at this moment" />
      <button class="k-link" type="submit" :disabled="!note.trim()">Keep it</button>
    </form>
    <RecordAsk v-if="recorder.recording" :recording-id="recorder.recording.id" />
  </div>
  <section v-if="thread" class="thread" aria-label="The last minutes">
    <p>
      <b>The last {{ minutes }} minutes</b>
      <template v-if="thread.about.length">: {{ thread.about.join(', ') }}</template>
      <button class="k-quiet" type="button" aria-label="Close the last minutes" @click="thread = null">×</button>
    </p>
    <p v-for="l in thread.lines" :key="l.startMs" class="line">
      <span class="k-time k-soft">{{ clock(l.startMs) }}</span> {{ l.quote }}
    </p>
    <p v-if="!thread.lines.length" class="k-soft">Nothing was understood in these minutes.</p>
  </section>
  <ul v-if="recorder.marks.length" class="marks" aria-label="Marks">
    <li v-for="m in lastMarks" :key="m.number">
      <span class="k-time k-soft">{{ clock(m.atMs) }}</span>
      {{ m.hasPicture ? 'Picture' : (names[m.kind] ?? m.kind) }}{{ m.text ? `: ${m.text}` : '' }}
      <img
        v-if="m.hasPicture && recorder.recording"
        :src="`/api/recordings/${recorder.recording.id}/pictures/${m.number}`"
        :alt="`Picture at ${clock(m.atMs)}`"
      />
    </li>
  </ul>
</template>

<style scoped>
.now {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px 20px;
  margin: 10px 0 14px;
}
.now b {
  font: 600 30px var(--serif);
}
.problem {
  color: var(--wrong);
  margin-bottom: 10px;
}
.marking {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 8px 22px;
  padding: 12px 0;
}
.note {
  display: flex;
  flex: 1 1 240px;
  gap: 12px;
}
.note input {
  flex: 1;
  min-width: 0;
  padding: 5px 8px;
  border: 1px solid var(--hair);
  border-radius: 4px;
  background: var(--sheet);
}
.picker {
  position: absolute;
  width: 1px;
  height: 1px;
  opacity: 0;
}
.break {
  flex: 1 1 100%;
}
.hint {
  margin-top: 6px;
}
.marks img {
  display: block;
  max-height: 96px;
  max-width: 100%;
  margin: 4px 0;
}
.thread {
  border: 1px solid var(--hair);
  padding: 10px 14px;
  background: var(--sheet);
}
.thread .k-quiet {
  float: right;
}
.line {
  font: 400 16px/1.5 var(--serif);
  margin-top: 4px;
}
.marks {
  list-style: none;
  padding: 0;
  margin-top: 10px;
}
</style>
