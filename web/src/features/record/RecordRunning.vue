<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, must, type LostThread, type MarkKind } from '@/api/client'
import { onKey } from '@/shared/keys'
import { useNotice } from '@/shared/notice'
import { clock, count } from '@/shared/time'
import HeardText from './HeardText.vue'
import LevelBar from './LevelBar.vue'
import { useRecorder } from './recorder'

/** While a recording runs: its text, and what one does in class with one key. */
const recorder = useRecorder()
const notice = useNotice()
const router = useRouter()
const note = ref('')
const noteAt = ref<number | null>(null)
const thread = ref<LostThread | null>(null)
const minutes = 3

const names: Partial<Record<MarkKind, string>> = { key: 'Key', unclear: 'Unclear', note: 'Note' }
const mark = (kind: MarkKind, text = '') => notice.attempt(() => recorder.mark(kind, text))
async function keepNote() {
  const text = note.value.trim()
  if (!text) return
  note.value = ''
  noteAt.value = null
  await mark('note', text)
}
async function lost() {
  const params = { path: { id: recorder.recording!.id }, query: { minutes } }
  thread.value = (await notice.attempt(() => must(api.GET('/api/recordings/{id}/thread', { params })))) ?? null
}
async function again() {
  if (!recorder.hasMicrophone() && !(await recorder.open({ device: null, ofScreen: false }))) return
  recorder.goOn()
}
const toggle = () => (recorder.state === 'running' ? recorder.pause() : void again())
async function finish() {
  const lecture = await notice.attempt(recorder.finish)
  if (lecture) void router.push({ name: 'lecture', params: { id: lecture } })
}
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
    <template v-if="recorder.unsent > 2"
      >{{ count(Math.ceil(recorder.unsent / 2), 'second') }} wait to be sent.</template
    >
  </p>
  <HeardText :words="recorder.words" :tentative="recorder.tentative" />
  <div class="marking">
    <button class="k-link" type="button" @click="mark('key')">Key <span class="k-key">k</span></button>
    <button class="k-link" type="button" @click="mark('unclear')">Unclear <span class="k-key">w</span></button>
    <button class="k-link" type="button" @click="lost">Lost the thread <span class="k-key">y</span></button>
    <form class="note" @submit.prevent="keepNote">
      <input v-model="note" maxlength="5000" placeholder="A note at this moment" aria-label="A note at this moment" />
      <button class="k-link" type="submit" :disabled="!note.trim()">Keep it</button>
    </form>
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
    <li v-for="(m, i) in recorder.marks.slice(-6)" :key="i">
      <span class="k-time k-soft">{{ clock(m.atMs) }}</span> {{ names[m.kind] ?? m.kind
      }}{{ m.text ? `: ${m.text}` : '' }}
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
