<script setup lang="ts">
import type { Answer } from '@/api/client'

/** How sure an answer is, and what of the question was never said. */
defineProps<{ answer: Answer; ofLecture: boolean }>()
const names = { summary: 'Summary', cards: 'Cards', quiz: 'Quiz' }
</script>

<template>
  <p v-if="answer.isChosen" class="k-soft chosen">You chose this place.</p>
  <p v-else-if="answer.material" class="state perhaps">
    <template v-if="ofLecture">
      That is made of the whole lecture under
      <router-link :to="{ query: { desk: answer.material } }">{{ names[answer.material] }}</router-link>.
    </template>
    <template v-else>Each lecture has that beside its page, under {{ names[answer.material] }}.</template>
  </p>
  <template v-else-if="answer.state !== 'said'">
    <p class="state" :class="answer.state">
      {{
        answer.state === 'perhaps'
          ? 'Perhaps. Nothing here says it outright.'
          : ofLecture
            ? 'This lecture doesn’t say.'
            : 'None of the lectures says this.'
      }}
    </p>
    <p v-if="answer.unheardWords.length" class="k-soft small">
      Never said here: {{ answer.unheardWords.map((w) => `“${w}”`).join(', ') }}
    </p>
    <p v-if="answer.state === 'notSaid' && answer.lines.length" class="near">Nearest to it</p>
  </template>
</template>

<style scoped>
.state {
  font: 600 16px var(--serif);
  border-left: 3px solid var(--wrong);
  padding-left: 10px;
  margin-bottom: 6px;
}
.perhaps {
  border-left-color: var(--buff);
}
.small,
.chosen {
  font-size: 14px;
}
.small {
  padding-left: 13px;
  margin-bottom: 8px;
}
.near {
  margin: 12px 0 4px;
  font-weight: 600;
  font-size: 14px;
}
</style>
