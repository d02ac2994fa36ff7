<script setup lang="ts">
import { computed, defineAsyncComponent, provide, ref, toRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import ReadingPage from '@/page/ReadingPage.vue'
import { lectureIdKey } from '@/page/lectureId'
import { useFind } from '@/page/useFind'
import WorkBar from '@/shared/WorkBar.vue'
import { isDeskWork, type DeskWork } from '@/features/desk/works'
import AgainBar from './AgainBar.vue'
import DoubtBar from './DoubtBar.vue'
import FindBar from './FindBar.vue'
import LectureFoot from './LectureFoot.vue'
import LectureHeader from './LectureHeader.vue'
import MarginNotes from './MarginNotes.vue'
import MissingLecture from './MissingLecture.vue'
import PageTools from './PageTools.vue'
import PictureDock from './PictureDock.vue'
import SelectionBar from './SelectionBar.vue'
import { usePlayer } from './player'
import { useReading } from './settings'
import type { Sheet } from './sheets'
import { useAgain } from './useAgain'
import { copyWithLink } from './copyWithLink'
import { useDoubts } from './useDoubts'
import { useDrawing } from './useDrawing'
import { useEdits } from './useEdits'
import { useLecture } from './useLecture'
import { useLectureKeys } from './useLectureKeys'
import { useLinkedMoment } from './useLinkedMoment'
import { useListening } from './useListening'
import { useMarking } from './useMarking'
import { useMarks } from './useMarks'
import { useSelection } from './useSelection'
import { useStaveSpans } from './useStaveSpans'

// What lies over or beside the page is fetched once the page stands.
const LectureSheets = defineAsyncComponent(() => import('./LectureSheets.vue'))
const DeskPanel = defineAsyncComponent(() => import('@/features/desk/DeskPanel.vue'))
const props = defineProps<{ id: string }>()
const route = useRoute()
const router = useRouter()
const id = toRef(props, 'id')
provide(lectureIdKey, id)
const player = usePlayer()
const { timeMs, lengthMs, isPlaying, loop } = player
const { lecture, transcript, peaks, problem, isGone, durationMs, load, loadTranscript } = useLecture(id, lengthMs)
const reading = useReading()
const edits = useEdits(id, transcript, loadTranscript)
const { marks, add: addMark, addPicture, removed, load: loadMarks, draw: drawMarks } = useMarks(id, timeMs, transcript)
const find = useFind(transcript, reading.hidesFillers)
const doubts = useDoubts(transcript, edits)
const page = ref<InstanceType<typeof ReadingPage>>()
const { span, box } = useSelection(() => page.value?.passages)
const bring = (ms: number) => void page.value?.bring(ms)
const { jump, saved } = useListening(id, transcript, player, reading.skipsSilence, bring)
const { again, ask: askAgain, close: closeAgain, addTerm } = useAgain(id, lecture)
const sheet = ref<Sheet | null>(null)
const evidence = ref<{ startMs: number; endMs: number }[]>([])
const sourceMs = ref<number | null>(null)

const canEdit = computed(() => Boolean(transcript.value?.isWhole && transcript.value.passages.length))
const desk = computed<DeskWork | null>(() => (isDeskWork(route.query.desk) ? route.query.desk : null))
const open = (work: DeskWork | null) => router.replace({ query: { ...route.query, desk: work ?? undefined } })
const { spans, spansName } = useStaveSpans(find, desk, evidence)

function hear(ms: number, untilMs?: number) {
  sourceMs.value = null
  player.playFrom(ms, untilMs)
}
// A stopped recording stays stopped.
const point = (ms: number) => player.seek(ms)
/** Plays a source and shows it on the page. */
function hearSource(ms: number) {
  sourceMs.value = ms
  player.playFrom(ms)
  bring(ms)
}
const hearWord = (ms: number) => (isPlaying.value ? player.pause() : hear(ms))

/** Once what was typed is saved: whether the same stands elsewhere. */
function left(before: string, after: string) {
  const ask = () => (edits.problem.value || edits.conflict.value ? undefined : askAgain(before, after))
  void edits.settled().then(ask)
}
const toggleLoop = () => player.toggleLoop(span.value)
const { mark, label, openMark } = useMarking(sheet, span, timeMs, addMark)
function openFind() {
  const chosen = span.value?.quote
  if (chosen && chosen.length < 60) find.wanted.value = chosen
  find.isOpen.value = true
}
const replace = (phrase: string, replacement: string) => (sheet.value = { is: 'replace', phrase, replacement })

const drawAll = useDrawing(
  () => page.value?.passages,
  [transcript, marks, reading.hidesFillers],
  [{ draw: drawMarks }, find, doubts],
)
watch(find.hit, (h) => h && bring(h.startMs))

const shown = computed(() => (page.value ? transcript.value : null))
useLinkedMoment(shown, (ms) => {
  player.seek(ms)
  sourceMs.value = ms
  setTimeout(() => bring(ms), 60)
})

useLectureKeys({
  player,
  jump,
  open,
  mark,
  loop: toggleLoop,
  skip: () => (reading.skipsSilence.value = !reading.skipsSilence.value),
  doubts: () => (doubts.isOpen.value ? doubts.close() : doubts.open(timeMs.value)),
  write: () => page.value?.write(),
  find: openFind,
  follow: () => page.value?.comeBack(),
  take: () => (sheet.value = { is: 'take' }),
  undo: () => void edits.undo(),
  redo: () => void edits.redo(),
})
</script>

<template>
  <MissingLecture v-if="problem && !lecture" :problem="problem" :is-gone="isGone" @again="load" />
  <div v-else-if="lecture" class="lecture" :class="{ withdesk: desk }" :style="reading.style.value">
    <div class="reading" @scroll.passive="page?.scrolled()">
      <div class="paper" :class="{ haspicture: lecture.hasPicture }">
        <LectureHeader
          class="head"
          :lecture="lecture"
          :transcript="transcript"
          :marks="marks"
          @open="open"
          @voices="sheet = { is: 'voices', speakerId: null }"
          @again="sheet = { is: 'again' }"
          @text="sheet = { is: 'text' }"
        />
        <PageTools
          v-if="transcript?.passages.length"
          class="head"
          :doubts="doubts.all.value.length"
          :state="transcript.state"
          :saving="edits.state.value"
          :problem="edits.problem.value"
          :can-edit="canEdit"
          :is-finding="find.isOpen.value"
          @find="openFind"
          @doubts="doubts.open(0)"
          @page="sheet = { is: 'page', target: $event }"
          @take="sheet = { is: 'take' }"
          @undo="edits.undo"
          @redo="edits.redo"
          @changes="open('changes')"
        >
          <template #find>
            <FindBar
              :find="find"
              :can-replace="canEdit"
              @close="find.isOpen.value = false"
              @replace="replace(find.wanted.value, '')"
            />
          </template>
        </PageTools>
        <PictureDock
          v-if="lecture.hasPicture"
          :lecture-id="id"
          :version="transcript?.state.version ?? 0"
          :captions="reading.captions.value"
          :language="lecture.language.code"
          @media="player.attach"
          @toggle="player.toggle"
        />
        <audio
          v-else-if="lecture.hasSound"
          :ref="(e) => player.attach(e as HTMLMediaElement | null)"
          :src="`/api/lectures/${id}/media`"
          preload="metadata"
        />
        <div class="head">
          <WorkBar v-if="lecture.work" class="bar" :work="lecture.work" />
          <p v-if="lecture.notice" class="notice">{{ lecture.notice }}</p>
          <p v-if="transcript && !transcript.passages.length && lecture.work?.state === 'running'" class="k-soft">
            The first words appear here in a moment.
          </p>
        </div>
        <MarginNotes
          v-if="!desk && lecture.makesCards && !lecture.hasPicture"
          class="cards"
          :lecture="lecture"
          :is-ready="canEdit"
          @open="open"
        />
        <ReadingPage
          v-if="transcript"
          ref="page"
          :transcript="transcript"
          :language="lecture.language.code"
          :time-ms="timeMs"
          :is-playing="isPlaying"
          :source-ms="sourceMs"
          :marks="marks"
          :hides-fillers="reading.hidesFillers.value"
          :can-edit="canEdit"
          :edit="edits.edit"
          @hear="hearWord"
          @point="point"
          @name="sheet = { is: 'voices', speakerId: $event }"
          @typing="edits.isTyping.value = $event"
          @leave="left"
          @step="(way) => (way === 'undo' ? edits.undo() : edits.redo())"
          @menu="(passage, target) => (sheet = { is: 'passage', passage, target })"
          @mark="openMark"
          @drawn="drawAll"
        />
      </div>
    </div>
    <DeskPanel
      v-if="desk && transcript"
      :key="id"
      class="desk"
      :work="desk"
      :lecture="lecture"
      :is-ready="canEdit"
      :marks="marks"
      :version="transcript.state.version"
      :time-ms="timeMs"
      @close="open(null)"
      @open="open"
      @hear="hearSource"
      @evidence="evidence = $event"
      @mark="openMark"
      @picture="addPicture"
      @correct="askAgain"
    />
    <SelectionBar
      v-if="span && !sheet && canEdit"
      :span="span"
      :box="box"
      :is-looping="loop !== null"
      :has-sound="lecture.hasSound"
      @play="hear(span.startMs, span.endMs)"
      @loop="toggleLoop"
      @mark="mark"
      @copy="copyWithLink(lecture, span)"
      @take="sheet = { is: 'take' }"
    />
    <LectureSheets
      v-if="sheet || edits.conflict.value"
      v-model="sheet"
      :lecture="lecture"
      :transcript="transcript"
      :reading="reading"
      :marks="marks"
      :span="span"
      :edits="edits"
      @changed="load"
      @marked="loadMarks"
      @unmarked="removed"
      @label="label"
      @hear="hear"
    />
    <DoubtBar
      v-if="doubts.isOpen.value"
      :doubts="doubts"
      :has-sound="lecture.hasSound"
      @hear="hear"
      @show="bring(transcript?.passages[$event]?.startMs ?? 0)"
      @corrected="askAgain"
      @close="doubts.close"
    />
    <AgainBar
      v-if="again"
      :again="again"
      :course="lecture.course ?? null"
      @look="replace(again.phrase, again.replacement)"
      @term="addTerm"
      @close="closeAgain"
    />
    <LectureFoot
      v-model:skips="reading.skipsSilence.value"
      class="foot"
      :player="player"
      :duration-ms="durationMs"
      :saved-ms="saved"
      :has-sound="lecture.hasSound"
      :peaks="peaks"
      :spans="spans"
      :spans-name="spansName"
      :marks="marks"
      :transcript="transcript"
      @sentence="jump('sentence', $event)"
    />
  </div>
</template>

<style scoped src="./lecture.css"></style>
