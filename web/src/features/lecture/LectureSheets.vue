<script setup lang="ts">
import { computed } from 'vue'
import type { Edit, Lecture, Mark, Passage, Transcript } from '@/api/client'
import type { Span } from '@/page/usePassages'
import BringTextSheet from './BringTextSheet.vue'
import ConflictSheet from './ConflictSheet.vue'
import type { PlaceForSheet } from '@/features/sheets/usePutOnSheet'
import MarkSheet from './MarkSheet.vue'
import PassageMenu from './PassageMenu.vue'
import ReadingMenu from './ReadingMenu.vue'
import ReplaceSheet from './ReplaceSheet.vue'
import SpeakersSheet from './SpeakersSheet.vue'
import TakeAwaySheet from './TakeAwaySheet.vue'
import TranscribeAgain from './TranscribeAgain.vue'
import type { Reading } from './settings'
import type { Sheet } from './sheets'
import type { Edits } from './useEdits'

const props = defineProps<{
  lecture: Lecture
  transcript: Transcript | null
  reading: Reading
  marks: readonly Mark[]
  span: Span | null
  edits: Edits
}>()
const emit = defineEmits<{
  changed: []
  marked: []
  unmarked: [mark: Mark]
  label: [passage: Passage]
  hear: [startMs: number, endMs: number]
  put: [place: PlaceForSheet]
}>()
const sheet = defineModel<Sheet | null>({ required: true })
const close = () => (sheet.value = null)
const { conflict } = props.edits
const labels = computed(() => [...new Set(props.marks.filter((m) => m.kind === 'label').map((m) => m.text))].sort())
const theirs = computed(() => props.transcript?.passages.find((p) => p.id === conflict.value?.passageId) ?? null)

async function edit(wanted: Edit) {
  await props.edits.edit(wanted)
}
async function keepMine() {
  const mine = conflict.value?.mine
  const passage = theirs.value
  conflict.value = null
  if (mine !== undefined && passage)
    await edit({ kind: 'rewrite', passageId: passage.id, expected: passage.text, text: mine })
}
</script>

<template>
  <template v-if="sheet">
    <SpeakersSheet
      v-if="sheet.is === 'voices' && transcript"
      :lecture="lecture"
      :transcript="transcript"
      :speaker-id="sheet.speakerId"
      @closed="close"
      @changed="emit('changed')"
    />
    <TranscribeAgain
      v-else-if="sheet.is === 'transcribe'"
      :lecture="lecture"
      @closed="close"
      @begun="emit('changed')"
      @replaced="emit('changed')"
    />
    <BringTextSheet v-else-if="sheet.is === 'text'" :lecture="lecture" @closed="close" @brought="emit('changed')" />
    <TakeAwaySheet
      v-else-if="sheet.is === 'take'"
      :lecture="lecture"
      :span="span"
      :has-voices="(transcript?.speakers.length ?? 0) > 1"
      @closed="close"
    />
    <ReadingMenu
      v-else-if="sheet.is === 'page'"
      :target="sheet.target"
      :reading="reading"
      :has-picture="lecture.hasPicture"
      :can-respell="lecture.language.code === 'en'"
      @closed="close"
      @respell="edit({ kind: 'respell', spelling: $event })"
    />
    <PassageMenu
      v-else-if="sheet.is === 'passage'"
      :target="sheet.target"
      :passage="sheet.passage"
      :is-first="transcript?.passages[0]?.id === sheet.passage.id"
      :speakers="transcript?.speakers ?? []"
      @closed="close"
      @edit="edit"
      @label="emit('label', sheet.passage)"
    />
    <ReplaceSheet
      v-else-if="sheet.is === 'replace'"
      :lecture="lecture"
      :phrase="sheet.phrase"
      :replacement="sheet.replacement"
      @closed="close"
      @replaced="emit('changed')"
      @hear="(from, to) => emit('hear', from, to)"
    />
    <MarkSheet
      v-else-if="sheet.is === 'mark'"
      :lecture-id="lecture.id"
      :mark="sheet.mark"
      :draft="sheet.draft"
      :labels="labels"
      @closed="close"
      @saved="emit('marked')"
      @deleted="emit('unmarked', $event)"
      @hear="(from, to) => emit('hear', from, to)"
      @put="emit('put', $event)"
    />
  </template>
  <ConflictSheet v-if="conflict" :mine="conflict.mine" :passage="theirs" @mine="keepMine" @theirs="conflict = null" />
</template>
