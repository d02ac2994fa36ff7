<script setup lang="ts">
import type { Lecture, Mark, Transcript } from '@/api/client'
import type { DeskPanelName } from '@/features/desk/panels'
import { count, day, duration } from '@/shared/time'
import DeskList from './DeskList.vue'

/** What the lecture is, quietly; and what can be opened beside it. What is done to its text stands with the page's tools. */
defineProps<{ lecture: Lecture; transcript: Transcript | null; marks: readonly Mark[]; hasDesk: boolean }>()
const host = (address: string) => new URL(address).host.replace(/^www\./, '')
defineEmits<{ open: [panel: DeskPanelName] }>()
</script>

<template>
  <header>
    <h1>{{ lecture.title }}</h1>
    <div class="k-facts k-soft">
      <span v-if="lecture.course">
        <router-link :to="{ name: 'course', params: { course: lecture.course } }">{{ lecture.course }}</router-link>
      </span>
      <span v-if="lecture.heldOn">{{ day(lecture.heldOn) }}</span>
      <span v-if="lecture.durationMs">{{ duration(lecture.durationMs) }}</span>
      <span>{{ lecture.language.name }}{{ lecture.languageIsGuessed ? ', by its sound' : '' }}</span>
      <span v-if="transcript?.isWhole && transcript.speakers.length > 1">{{
        count(transcript.speakers.length, 'voice')
      }}</span>
      <span v-if="lecture.sourceAddress">
        <a :href="lecture.sourceAddress" target="_blank" rel="noreferrer noopener">{{ host(lecture.sourceAddress) }}</a>
      </span>
    </div>
    <p v-if="transcript && !transcript.isWhole" class="k-soft wait">
      Ask, Summary{{ lecture.makesCards ? ', Cards and Quiz' : '' }} open when the whole lecture is written down.
    </p>
    <DeskList
      v-else-if="transcript?.passages.length && !hasDesk"
      :class="{ beside: !lecture.hasPicture }"
      :lecture="lecture"
      :mark-count="marks.length"
      @open="$emit('open', $event)"
    />
  </header>
</template>

<style scoped>
header {
  position: relative;
}
.k-facts a {
  color: inherit;
}
.wait {
  margin-top: 6px;
}
</style>
