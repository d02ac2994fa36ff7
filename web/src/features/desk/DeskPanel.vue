<script setup lang="ts">
import { toRef } from 'vue'
import { useRouter } from 'vue-router'
import type { Lecture, Mark, Transcript } from '@/api/client'
import type { Player } from '@/features/lecture/player'
import type { Planned } from '@/features/lecture/usePlanned'
import type { Stretch } from '@/stave/paint'
import { deskPanels, panelOf, type DeskPanelName } from './panels'
import { provideDesk } from './useDesk'

const props = defineProps<{
  panel: DeskPanelName
  lecture: Lecture
  isReady: boolean
  marks: readonly Mark[]
  version: number
  timeMs: number
  transcript: Transcript
  heard: readonly Stretch[]
  player: Player
  planned: Planned
  skips: boolean
  selected: Stretch | null
}>()
const emit = defineEmits<{
  close: []
  open: [panel: DeskPanelName]
  hear: [ms: number]
  evidence: [spans: Stretch[]]
  mark: [mark: Mark]
  picture: [file: Blob]
  noted: []
  correct: [before: string, after: string]
}>()
const router = useRouter()
provideDesk({
  transcript: toRef(props, 'transcript'),
  heard: toRef(props, 'heard'),
  player: props.player,
  planned: props.planned,
  skips: toRef(props, 'skips'),
  selected: toRef(props, 'selected'),
  noted: () => emit('noted'),
  open: (panel, text) => void router.replace({ query: { desk: panel, ...(text ? { about: text } : {}) } }),
  lecture: toRef(props, 'lecture'),
  marks: toRef(props, 'marks'),
  version: toRef(props, 'version'),
  timeMs: toRef(props, 'timeMs'),
  hear: (ms) => emit('hear', ms),
  show: (places) =>
    emit(
      'evidence',
      places.map(({ startMs, endMs, strength }) => ({ startMs, endMs, strength })),
    ),
  openMark: (mark) => emit('mark', mark),
  addPicture: (file) => emit('picture', file),
  correct: (before, after) => emit('correct', before, after),
})
</script>

<template>
  <section class="desk" :aria-label="panelOf(panel).name">
    <h1 class="lecture-title">{{ lecture.title }}</h1>
    <header>
      <v-menu>
        <template #activator="{ props: menu }">
          <button class="what" type="button" v-bind="menu">
            {{ panelOf(panel).name }} <span aria-hidden="true">▾</span>
          </button>
        </template>
        <v-list>
          <v-list-item v-for="(other, key) in deskPanels" :key="key" :title="other.name" @click="emit('open', key)" />
        </v-list>
      </v-menu>
      <button class="k-quiet" type="button" @click="emit('close')">Close</button>
    </header>
    <p v-if="!isReady" class="k-soft wait">
      This needs the whole text. It opens here as soon as the lecture is written down.
    </p>
    <component :is="panelOf(panel).component" v-else :key="panel" />
  </section>
</template>

<style scoped>
.desk {
  background: var(--sheet);
  border-left: 1px solid var(--ink);
  display: flex;
  flex-direction: column;
  min-height: 0;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  padding: 16px 24px 4px;
}
/* Where the desk covers the page, it says of which lecture. */
.lecture-title {
  display: none;
  font: 600 15px var(--sans);
  color: var(--soft);
  padding: 12px 24px 0;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
@media (max-width: 900px) {
  .lecture-title {
    display: block;
  }
}
.what {
  font: 600 18px var(--serif);
}
.what span {
  font-size: 12px;
  color: var(--soft);
}
.wait {
  padding: 12px 24px;
}
</style>
