<script setup lang="ts">
import { ref } from 'vue'
import type { Lecture, Mark, Transcript } from '@/api/client'
import type { DeskPanelName } from '@/features/desk/panels'
import ReadingPage from '@/page/ReadingPage.vue'
import type { Find } from '@/page/useFind'
import JobBar from '@/shared/JobBar.vue'
import FindBar from './FindBar.vue'
import LectureHeader from './LectureHeader.vue'
import PageTools from './PageTools.vue'
import PictureDock from './PictureDock.vue'
import type { Player } from './player'
import type { Reading } from './settings'
import type { Sheet } from './sheets'
import type { Doubts } from './useDoubts'
import type { Edits } from './useEdits'

/** What scrolls: the lecture's heading and tools, its picture, and the text. */
defineProps<{
  lecture: Lecture
  transcript: Transcript | null
  marks: readonly Mark[]
  player: Player
  reading: Reading
  edits: Edits
  find: Find
  doubts: Doubts
  sourceMs: number | null
  canEdit: boolean
  hasDesk: boolean
}>()
const emit = defineEmits<{
  open: [panel: DeskPanelName]
  sheet: [sheet: Sheet]
  find: []
  replace: []
  hear: [ms: number]
  point: [ms: number]
  leave: [before: string, after: string]
  mark: [mark: Mark]
  drawn: []
}>()
const page = ref<InstanceType<typeof ReadingPage>>()
defineExpose({ page })
</script>

<template>
  <div class="reading" @scroll.passive="page?.scrolled()">
    <div class="paper" :class="{ haspicture: lecture.hasPicture }">
      <LectureHeader
        class="head"
        :lecture="lecture"
        :transcript="transcript"
        :marks="marks"
        :has-desk="hasDesk"
        @open="emit('open', $event)"
      />
      <PageTools
        v-if="transcript && (transcript.passages.length || (transcript.isWhole && lecture.hasSound))"
        class="head"
        :doubts="doubts.all.value.length"
        :state="transcript.state"
        :saving="edits.state.value"
        :problem="edits.problem.value"
        :can-edit="canEdit"
        :is-finding="find.isOpen.value"
        :can-transcribe="transcript.isWhole && lecture.hasSound"
        :has-captions="lecture.captionStreams.length > 0"
        :voices="transcript.speakers.length"
        @find="emit('find')"
        @doubts="doubts.open(0)"
        @page="emit('sheet', { is: 'page', target: $event })"
        @take="emit('sheet', { is: 'take' })"
        @voices="emit('sheet', { is: 'voices', speakerId: null })"
        @transcribe="emit('sheet', { is: 'transcribe' })"
        @text="emit('sheet', { is: 'text' })"
        @undo="edits.undo"
        @redo="edits.redo"
        @changes="emit('open', 'changes')"
      >
        <template #find>
          <FindBar :find="find" :can-replace="canEdit" @close="find.close" @replace="emit('replace')" />
        </template>
      </PageTools>
      <PictureDock
        v-if="lecture.hasPicture"
        :lecture-id="lecture.id"
        :version="transcript?.state.version ?? 0"
        :captions="reading.captions.value"
        :language="lecture.language.code"
        @media="player.attach"
        @toggle="player.toggle"
      />
      <audio
        v-else-if="lecture.hasSound"
        :ref="(e) => player.attach(e as HTMLMediaElement | null)"
        :src="`/api/lectures/${lecture.id}/media`"
        preload="metadata"
      />
      <div class="head">
        <JobBar v-if="lecture.progress" class="bar" :progress="lecture.progress" />
        <p v-if="lecture.notice" class="notice">{{ lecture.notice }}</p>
        <p v-if="transcript && !transcript.passages.length && lecture.progress?.state === 'running'" class="k-soft">
          The first words appear here in a moment.
        </p>
      </div>
      <ReadingPage
        v-if="transcript"
        ref="page"
        :transcript="transcript"
        :language="lecture.language.code"
        :has-picture="lecture.hasPicture"
        :time-ms="player.timeMs.value"
        :is-playing="player.isPlaying.value"
        :source-ms="sourceMs"
        :marks="marks"
        :hides-fillers="reading.hidesFillers.value"
        :doubts-shown="doubts.isOpen.value ? 'all' : reading.doubts.value"
        :can-edit="canEdit"
        :edit="edits.edit"
        @hear="emit('hear', $event)"
        @point="emit('point', $event)"
        @name="emit('sheet', { is: 'voices', speakerId: $event })"
        @typing="edits.typing"
        @leave="(before, after) => emit('leave', before, after)"
        @step="(way) => (way === 'undo' ? edits.undo() : edits.redo())"
        @menu="(passage, target) => emit('sheet', { is: 'passage', passage, target })"
        @mark="emit('mark', $event)"
        @drawn="emit('drawn')"
      />
    </div>
  </div>
</template>

<style scoped src="./lecture.css"></style>
