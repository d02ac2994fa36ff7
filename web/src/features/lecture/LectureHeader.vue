<script setup lang="ts">
import type { Lecture, Mark, Transcript } from '@/api/client'
import type { DeskPanelName } from '@/features/desk/panels'
import { count, day, duration } from '@/shared/time'

defineProps<{ lecture: Lecture; transcript: Transcript | null; marks: readonly Mark[] }>()
const host = (address: string) => new URL(address).host.replace(/^www\./, '')
defineEmits<{ open: [panel: DeskPanelName]; voices: []; transcribe: []; text: [] }>()
</script>

<template>
  <header>
    <h1>{{ lecture.title }}</h1>
    <div class="k-facts k-soft">
      <span v-if="lecture.course">{{ lecture.course }}</span>
      <span v-if="lecture.heldOn">{{ day(lecture.heldOn) }}</span>
      <span v-if="lecture.durationMs">{{ duration(lecture.durationMs) }}</span>
      <span>{{ lecture.language.name }}{{ lecture.languageIsGuessed ? ', by its sound' : '' }}</span>
      <span v-if="lecture.sourceAddress">
        <a :href="lecture.sourceAddress" target="_blank" rel="noreferrer noopener">{{ host(lecture.sourceAddress) }}</a>
      </span>
      <span v-if="transcript?.isWhole && transcript.passages.length">
        <button class="k-quiet" type="button" @click="$emit('voices')">
          {{ count(transcript.speakers.length, 'voice') }}
        </button>
      </span>
      <span v-if="transcript?.isWhole && lecture.hasSound">
        <button class="k-quiet" type="button" @click="$emit('transcribe')">Transcribe again</button>
      </span>
      <span v-if="transcript?.isWhole">
        <button class="k-quiet" type="button" @click="$emit('text')">
          {{ lecture.captionStreams.length ? 'Captions in the file' : 'Bring in a text' }}
        </button>
      </span>
    </div>
    <p v-if="transcript && !transcript.isWhole" class="k-soft works">
      Ask, Summary{{ lecture.makesCards ? ', Cards and Quiz' : '' }} open when the whole lecture is written down.
    </p>
    <div v-else-if="transcript?.passages.length" class="works">
      <button class="k-link" type="button" @click="$emit('open', 'ask')">Ask</button>
      <button class="k-link" type="button" @click="$emit('open', 'summary')">Summary</button>
      <template v-if="lecture.makesCards">
        <button class="k-link" type="button" @click="$emit('open', 'cards')">Cards</button>
        <button class="k-link" type="button" @click="$emit('open', 'quiz')">Quiz</button>
      </template>
      <button class="k-link" type="button" @click="$emit('open', 'marks')">
        {{ marks.length ? count(marks.length, 'mark') : 'Marks' }}
      </button>
    </div>
  </header>
</template>

<style scoped>
.k-facts a {
  color: inherit;
}
.k-facts button {
  padding: 0;
  line-height: inherit;
}
.works {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  margin-top: 6px;
}
</style>
