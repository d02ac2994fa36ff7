<script setup lang="ts">
import { computed } from 'vue'
import type { Evidence, Question, ScopeKind } from '@/api/client'
import { literally, understood } from '@/shared/meant'
import AnswerLines from './AnswerLines.vue'
import AnswerState from './AnswerState.vue'

/** A question of a thread with its answer, and what can be done with it. */
const props = defineProps<{
  question: Question
  /** One lecture is asked, whose page is beside. */
  ofLecture: boolean
  playing?: string | null
}>()
const emit = defineEmits<{
  hear: [line: Evidence]
  taken: []
  alone: []
  literal: [text: string]
  off: [kind: ScopeKind]
  note: [line: Evidence]
  card: [line: Evidence]
  sheet: [line: Evidence]
  choose: [line: Evidence | null]
}>()
const answer = computed(() => props.question.answer)
const meant = computed(() => understood(answer.value.meant))
const best = computed(() => answer.value.lines[0])
</script>

<template>
  <article class="question" :aria-label="question.text">
    <h2>{{ question.text }}</h2>
    <p v-if="answer.scope.length" class="scope">
      <span v-for="part in answer.scope" :key="part.kind" class="chip">
        {{ part.kind === 'speaker' ? `said by ${part.words}` : part.words }}
        <button type="button" :aria-label="`Ask without ${part.words}`" @click="emit('off', part.kind)">×</button>
      </span>
    </p>
    <p v-if="answer.taken.length" class="k-soft small">
      Taken with {{ answer.taken.map((w) => `“${w}”`).join(', ') }} of the question before.
      <button class="k-link" type="button" @click="emit('alone')">Ask it by itself</button>
    </p>
    <p v-if="meant" class="k-soft small">
      Understood {{ meant }}.
      <button class="k-link" type="button" @click="emit('literal', literally(question.text, answer.meant))">
        Ask it as it is written
      </button>
    </p>
    <AnswerState :answer="answer" :of-lecture="ofLecture" />
    <AnswerLines
      v-slot="{ line, index }"
      :answer="answer"
      :take-key="ofLecture ? `answer:${question.id}` : null"
      :names-lectures="!ofLecture"
      :playing="playing ?? null"
      @hear="emit('hear', $event)"
      @taken="emit('taken')"
    >
      <button
        v-if="index > 0 && !answer.isChosen && answer.state !== 'notSaid'"
        class="k-quiet small"
        type="button"
        @click="emit('choose', line)"
      >
        This answers it
      </button>
    </AnswerLines>
    <p v-if="best" class="acts">
      <button class="k-quiet" type="button" @click="emit('note', best)">Keep as a note</button>
      <button class="k-quiet" type="button" @click="emit('card', best)">Make a card</button>
      <button class="k-quiet" type="button" @click="emit('sheet', best)">Put on a sheet</button>
      <button v-if="ofLecture" class="k-quiet" type="button" @click="emit('choose', null)">
        Another place answers
      </button>
    </p>
    <slot />
  </article>
</template>

<style scoped>
.question {
  padding: 4px 0 20px;
}
h2 {
  font-size: 17px;
  margin-bottom: 10px;
  overflow-wrap: anywhere;
}
.small {
  font-size: 14px;
}
p.small {
  margin-bottom: 8px;
}
.scope {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-bottom: 10px;
}
.chip {
  font-size: 14px;
  padding: 1px 4px 1px 10px;
  border: 1px solid var(--sea);
  border-radius: 2px;
}
.chip button {
  padding: 0 6px;
  color: var(--act);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  margin-top: 8px;
  font-size: 14px;
}
</style>
