<script setup lang="ts">
import { computed, defineAsyncComponent, provide, ref, toRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { lectureIdKey } from '@/page/lectureId'
import { useFind } from '@/page/useFind'
import type { Stretch } from '@/stave/paint'
import { isDeskPanelName, type DeskPanelName } from '@/features/desk/panels'
import ElsewhereBar from './ElsewhereBar.vue'
import DoubtBar from './DoubtBar.vue'
import LectureFoot from './LectureFoot.vue'
import LecturePaper from './LecturePaper.vue'
import MissingLecture from './MissingLecture.vue'
import SelectionBar from './SelectionBar.vue'
import { usePlayer } from './player'
import { useReading } from './settings'
import type { Sheet } from './sheets'
import { useElsewhere } from './useElsewhere'
import { copyWithLink } from './copyWithLink'
import { usePutOnSheet } from '@/features/sheets/usePutOnSheet'
import { useDoubts } from './useDoubts'
import { useDrawing } from './useDrawing'
import { useEdits } from './useEdits'
import { useHeard } from './useHeard'
import { useLecture } from './useLecture'
import { useLectureKeys } from './useLectureKeys'
import { useLinkedMoment } from './useLinkedMoment'
import { useListening } from './useListening'
import { useMarking } from './useMarking'
import { useMarks } from './useMarks'
import { usePlanned } from './usePlanned'
import { useSelectedCard } from './useSelectedCard'
import { useSelection } from './useSelection'
import { useSources } from './useSources'
import { useStaveSelection } from './useStaveSelection'
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
const { timeMs, lengthMs, loop } = player
const { lecture, transcript, problem, isGone, durationMs, load, renew } = useLecture(id, lengthMs)
const reading = useReading()
const edits = useEdits(id, transcript, renew)
const { marks, add: addMark, addPicture, removed, load: loadMarks, draw: drawMarks } = useMarks(id, timeMs, transcript)
const find = useFind(transcript, reading.hidesFillers)
const doubts = useDoubts(transcript, edits)
const paper = ref<InstanceType<typeof LecturePaper>>()
const page = computed(() => paper.value?.page)
const chosen = useSelection(() => page.value?.passages)
const bring = (ms: number) => void page.value?.bring(ms)
const { sourceMs, hear, hearSource, hearWord, point, showSource } = useSources(player, bring)
const { jump, saved } = useListening(id, transcript, player, reading.skipsSilence, bring)
const { elsewhere, ask: askElsewhere, close: closeElsewhere, addTerm } = useElsewhere(id, lecture)
const sheet = ref<Sheet | null>(null)
const evidence = ref<Stretch[]>([])
const heard = useHeard(id, player)
const planned = usePlanned(id, player, () => lecture.value?.title ?? '')
const { selected, span, box } = useStaveSelection(transcript, chosen)

const canEdit = computed(() => Boolean(transcript.value?.isWhole && transcript.value.passages.length))
const desk = computed<DeskPanelName | null>(() => (isDeskPanelName(route.query.desk) ? route.query.desk : null))
const open = (panel: DeskPanelName | null) =>
  router.replace({ query: { ...route.query, desk: panel ?? undefined, ...noQuery } })
const noQuery = { about: undefined, thread: undefined, from: undefined, to: undefined }
const makeCard = useSelectedCard(id, transcript)
const putOnSheet = usePutOnSheet()
const askOf = (s: Stretch) =>
  router.replace({ query: { ...route.query, ...noQuery, desk: 'ask', from: String(s.startMs), to: String(s.endMs) } })
const { spans, spansName } = useStaveSpans(find, desk, evidence)

/** Once what was typed is saved: whether the same stands elsewhere. */
function left(before: string, after: string) {
  const ask = () => (edits.problem.value || edits.conflict.value ? undefined : askElsewhere(before, after))
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
useLinkedMoment(shown, showSource)

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
  <MissingLecture v-if="problem && !lecture" :problem="problem" :is-gone="isGone" @retry="load" />
  <div v-else-if="lecture" class="lecture" :class="{ withdesk: desk }" :style="reading.style.value">
    <LecturePaper
      ref="paper"
      :lecture="lecture"
      :transcript="transcript"
      :marks="marks"
      :player="player"
      :reading="reading"
      :edits="edits"
      :find="find"
      :doubts="doubts"
      :source-ms="sourceMs"
      :can-edit="canEdit"
      :has-desk="desk !== null"
      @open="open"
      @sheet="sheet = $event"
      @find="openFind"
      @replace="replace(find.wanted.value, '')"
      @hear="hearWord"
      @point="point"
      @leave="left"
      @mark="openMark"
      @drawn="drawAll"
    />
    <DeskPanel
      v-if="desk && transcript"
      :key="id"
      class="desk"
      :panel="desk"
      :lecture="lecture"
      :is-ready="canEdit"
      :marks="marks"
      :version="transcript.state.version"
      :time-ms="timeMs"
      :transcript="transcript"
      :heard="heard"
      :player="player"
      :planned="planned"
      :skips="reading.skipsSilence.value"
      :selected="span"
      @noted="loadMarks"
      @close="open(null)"
      @open="open"
      @hear="hearSource"
      @evidence="evidence = $event"
      @mark="openMark"
      @picture="addPicture"
      @correct="askElsewhere"
    />
    <SelectionBar
      v-if="span && !sheet && canEdit"
      :span="span"
      :box="box"
      :is-looping="loop !== null"
      :has-sound="lecture.hasSound"
      :has-picture="lecture.hasPicture"
      @play="hear(span.startMs, span.endMs)"
      @loop="toggleLoop"
      @mark="mark"
      @copy="copyWithLink(lecture, span)"
      @take="sheet = { is: 'take' }"
      @ask="askOf(span)"
      @sheet="(withPicture) => span && putOnSheet(id, { startMs: span.startMs, endMs: span.endMs, withPicture })"
      @card="(withPicture) => span && makeCard(span, withPicture)"
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
      @put="putOnSheet(id, $event)"
    />
    <DoubtBar
      v-if="doubts.isOpen.value"
      :doubts="doubts"
      :has-sound="lecture.hasSound"
      @hear="hear"
      @show="bring(transcript?.passages[$event]?.startMs ?? 0)"
      @corrected="askElsewhere"
      @close="doubts.close"
    />
    <ElsewhereBar
      v-if="elsewhere"
      :elsewhere="elsewhere"
      :course="lecture.course ?? null"
      @look="replace(elsewhere.phrase, elsewhere.replacement)"
      @term="addTerm"
      @close="closeElsewhere"
    />
    <LectureFoot
      v-model:skips="reading.skipsSilence.value"
      v-model:selected="selected"
      class="foot"
      :player="player"
      :duration-ms="durationMs"
      :saved-ms="saved"
      :has-sound="lecture.hasSound"
      :lecture-id="id"
      :heard="heard"
      :plan="planned.isPlaying.value ? player.only.value : []"
      :can-edit="canEdit"
      :spans="spans"
      :spans-name="spansName"
      :marks="marks"
      :transcript="transcript"
      @sentence="jump('sentence', $event)"
      @move-chapter="(startMs, passageId) => edits.edit({ kind: 'moveChapter', startMs, passageId })"
    />
  </div>
</template>

<style scoped src="./lecture.css"></style>
