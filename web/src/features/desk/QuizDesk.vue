<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { api, must, type Attempt } from '@/api/client'
import { useNotice } from '@/shared/notice'
import EvidenceLine from '@/shared/evidence/EvidenceLine.vue'
import { count } from '@/shared/time'
import { useDesk } from './useDesk'
import { useStudy } from './useStudy'

const { hear } = useDesk()
const notice = useNotice()
const { study, isBusy, makeQuiz, load } = useStudy()
const quiz = computed(() => study.value?.quiz ?? null)
const body = ref<HTMLElement>()
const chosen = ref<number[]>([])
const result = ref<Attempt | null>(null)
const open = computed(() => chosen.value.filter((c) => c < 0).length)

watch(quiz, (q, before) => {
  // The same quiz with corrected words keeps what was chosen.
  if (q && q.id === before?.id) return
  chosen.value = q?.questions.map(() => -1) ?? []
  result.value = q?.lastAttempt ?? null
  if (result.value) chosen.value = result.value.answers.map((a) => a.choice)
})

async function finish() {
  const id = quiz.value?.id
  if (id === undefined) return
  result.value =
    (await notice.attempt(() =>
      must(
        api.POST('/api/quizzes/{quizId}/attempts', {
          params: { path: { quizId: id } },
          body: { choices: chosen.value },
        }),
      ),
    )) ?? null
  await nextTick()
  body.value?.scrollTo({ top: 0 })
}

function again() {
  result.value = null
  chosen.value = chosen.value.map(() => -1)
}

/** What was answered wrongly, or rests on words that read otherwise by now. */
const needsListening = (a: Attempt['answers'][number]) => a.choice !== a.key || a.source.now !== null

/** How a choice stands in the result: in words, not by colour alone. */
function mark(question: number, choice: number): '' | 'right' | 'wrong' {
  const answer = result.value?.answers[question]
  if (!answer) return ''
  if (choice === answer.key) return 'right'
  return choice === answer.choice ? 'wrong' : ''
}
</script>

<template>
  <div ref="body" class="body">
    <div v-if="study && !quiz" class="start">
      <p class="k-soft">A short quiz from this lecture. At the end you see your score and where to listen again.</p>
      <v-btn :loading="isBusy" @click="makeQuiz">Make a quiz</v-btn>
    </div>
    <form v-if="quiz" @submit.prevent="finish">
      <p v-if="result" class="score" role="status">
        <b>{{ result.rightCount }} of {{ quiz.questions.length }} right</b>
        <span>
          <button class="k-link" type="button" @click="again">Take it again</button>
          <button class="k-link" type="button" @click="makeQuiz">A new quiz</button>
        </span>
      </p>
      <p v-if="quiz.askedBefore && !result" class="k-soft before">
        {{
          quiz.askedBefore === quiz.questions.length
            ? 'This lecture has no questions that were not asked yet; these come again.'
            : `${count(quiz.askedBefore, 'question')} of these were asked before.`
        }}
      </p>
      <fieldset v-for="(q, i) in quiz.questions" :key="`${quiz.id}.${i}`">
        <legend class="said">{{ i + 1 }}. {{ q.stem }}</legend>
        <label v-for="(choice, c) in q.choices" :key="c" :class="mark(i, c)">
          <input v-model="chosen[i]" type="radio" :name="`q${i}`" :value="c" :disabled="Boolean(result)" />
          <span>{{ choice }}</span>
          <em v-if="mark(i, c) === 'right'">right</em>
          <em v-else-if="mark(i, c) === 'wrong'">your answer</em>
        </label>
        <template v-if="result?.answers[i] && needsListening(result.answers[i])">
          <p class="k-soft again">Listen again</p>
          <ul class="lines">
            <EvidenceLine
              :evidence="result.answers[i].source"
              :take-key="`quiz:${quiz.id}`"
              @hear="hear"
              @taken="load"
            />
          </ul>
        </template>
      </fieldset>
      <v-btn v-if="!result" type="submit">{{ open ? `Finish, ${count(open, 'question')} open` : 'Finish' }}</v-btn>
    </form>
  </div>
</template>

<style scoped src="./desk.css"></style>
<style scoped>
fieldset {
  border: 0;
  border-top: 1px solid var(--hair);
  padding: 10px 0 14px;
  min-width: 0;
}
legend {
  float: left;
  width: 100%;
  margin-bottom: 6px;
}
label {
  display: flex;
  gap: 9px;
  padding: 3px 8px;
  align-items: baseline;
  clear: both;
  cursor: pointer;
}
input {
  accent-color: var(--act);
}
.right {
  background: var(--seawash);
}
.wrong span {
  text-decoration: line-through;
  text-decoration-color: var(--wrong);
}
em {
  margin-left: auto;
  font-size: 13px;
  color: var(--soft);
  display: inline-block;
}
.before {
  padding-bottom: 10px;
}
.score {
  display: flex;
  justify-content: space-between;
  flex-wrap: wrap;
  gap: 12px;
  padding: 6px 0 12px;
  font-size: 17px;
}
.score span {
  display: flex;
  gap: 16px;
  font-size: 15px;
}
.lines :deep(.evidence) {
  border-top: 0;
  padding-top: 2px;
}
.again {
  font-size: 14px;
  padding: 4px 8px 0;
}
</style>
