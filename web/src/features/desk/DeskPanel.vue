<script setup lang="ts">
import type { Lecture, Mark } from '@/api/client'
import AskDesk from './AskDesk.vue'
import CardsDesk from './CardsDesk.vue'
import ChangesDesk from './ChangesDesk.vue'
import MarksDesk from './MarksDesk.vue'
import QuizDesk from './QuizDesk.vue'
import SummaryDesk from './SummaryDesk.vue'
import { deskWorks, type DeskWork } from './works'

defineProps<{
  work: DeskWork
  lecture: Lecture
  isReady: boolean
  marks: readonly Mark[]
  version: number
  timeMs: number
}>()
const emit = defineEmits<{
  close: []
  open: [work: DeskWork]
  hear: [ms: number]
  evidence: [spans: { startMs: number; endMs: number }[]]
  mark: [mark: Mark]
  picture: [file: File]
  correct: [before: string, after: string]
}>()
</script>

<template>
  <section class="desk" :aria-label="deskWorks[work]">
    <h1 class="lecture-title">{{ lecture.title }}</h1>
    <header>
      <v-menu>
        <template #activator="{ props: menu }">
          <button class="what" type="button" v-bind="menu">
            {{ deskWorks[work] }} <span aria-hidden="true">▾</span>
          </button>
        </template>
        <v-list>
          <v-list-item v-for="(name, key) in deskWorks" :key="key" :title="name" @click="emit('open', key)" />
        </v-list>
      </v-menu>
      <button class="k-quiet" type="button" @click="emit('close')">Close</button>
    </header>
    <p v-if="!isReady" class="k-soft wait">
      This needs the whole text. It opens here as soon as the lecture is written down.
    </p>
    <template v-else>
      <AskDesk
        v-if="work === 'ask'"
        :lecture-id="lecture.id"
        :version="version"
        @hear="emit('hear', $event)"
        @evidence="emit('evidence', $event)"
      />
      <MarksDesk
        v-else-if="work === 'marks'"
        :lecture-id="lecture.id"
        :marks="marks"
        :time-ms="timeMs"
        @picture="emit('picture', $event)"
        @hear="emit('hear', $event)"
        @open="emit('mark', $event)"
        @evidence="emit('evidence', $event)"
      />
      <ChangesDesk
        v-else-if="work === 'changes'"
        :lecture-id="lecture.id"
        :version="version"
        @hear="emit('hear', $event)"
        @evidence="emit('evidence', $event)"
      />
      <SummaryDesk
        v-else-if="work === 'summary'"
        :lecture-id="lecture.id"
        :version="version"
        @hear="emit('hear', $event)"
        @evidence="emit('evidence', $event)"
      />
      <CardsDesk
        v-else-if="work === 'cards'"
        :lecture-id="lecture.id"
        :version="version"
        @hear="emit('hear', $event)"
        @correct="(before, after) => emit('correct', before, after)"
        @evidence="emit('evidence', $event)"
      />
      <QuizDesk v-else :lecture-id="lecture.id" :version="version" @hear="emit('hear', $event)" />
    </template>
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
