<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { api, must, type Attempt } from '@/api/client'
import { useNotice } from '@/shared/notice'
import EvidenceLine from '@/shared/evidence/EvidenceLine.vue'
import { count } from '@/shared/time'
import QuizQuestion from './QuizQuestion.vue'
import StudyWanted from './StudyWanted.vue'
import { wantedOf } from '@/features/sheets/wanted'
import { isOpen, kinds, open, type Given } from './quizAnswers'
import { useDesk } from './useDesk'
import { useStudy } from './useStudy'

const { hear } = useDesk()
const notice = useNotice()
const { study, isBusy, makeQuiz, load } = useStudy()
const quiz = computed(() => study.value?.quiz ?? null)
const body = ref<HTMLElement>()
const answers = ref<Given[]>([])
const result = ref<Attempt | null>(null)
const left = computed(() => answers.value.filter(isOpen).length)
const wanted = ref(wantedOf(12))
const chosen = ref(kinds.map((k) => k.kind))
/** Another quiz is being chosen instead of the one that is there. */
const isChoosing = ref(false)

watch(quiz, (q, before) => {
  // The same quiz with corrected words keeps what was answered.
  if (q && q.id === before?.id) return
  answers.value = q?.questions.map(open) ?? []
  result.value = q?.lastAttempt ?? null
  isChoosing.value = false
  if (result.value) answers.value = result.value.answers.map((a) => a.given)
})

const make = () => makeQuiz({ ...wanted.value, kinds: chosen.value.length < kinds.length ? chosen.value : null })

async function finish() {
  const id = quiz.value?.id
  if (id === undefined) return
  result.value =
    (await notice.attempt(() =>
      must(
        api.POST('/api/quizzes/{quizId}/attempts', {
          params: { path: { quizId: id } },
          body: { answers: answers.value },
        }),
      ),
    )) ?? null
  await nextTick()
  body.value?.scrollTo({ top: 0 })
}

function again() {
  result.value = null
  answers.value = answers.value.map(open)
}
</script>

<template>
  <div ref="body" class="body">
    <form v-if="study && (!quiz || isChoosing)" class="start" @submit.prevent="make">
      <p class="k-soft">
        Questions from this lecture, of several kinds. At the end you see your score, and each answer with the sentence
        that says it.
      </p>
      <StudyWanted v-model="wanted" :counts="[6, 12, 20, 40]" what="Questions" />
      <details>
        <summary>Kinds: {{ chosen.length === kinds.length ? 'all' : chosen.length }}</summary>
        <label v-for="k in kinds" :key="k.kind" class="kind">
          <input v-model="chosen" type="checkbox" :value="k.kind" />
          <span>{{ k.name }}</span>
        </label>
      </details>
      <p class="go">
        <v-btn type="submit" :loading="isBusy" :disabled="!chosen.length">Make a quiz</v-btn>
        <button v-if="isChoosing" class="k-quiet" type="button" @click="isChoosing = false">Leave it</button>
      </p>
    </form>
    <form v-else-if="quiz" @submit.prevent="finish">
      <p v-if="result" class="score" role="status">
        <b>{{ result.rightCount }} of {{ quiz.questions.length }} right</b>
        <span>
          <button class="k-link" type="button" @click="again">Take it again</button>
          <button class="k-link" type="button" @click="isChoosing = true">A new quiz</button>
        </span>
      </p>
      <p v-if="quiz.askedBefore && !result" class="k-soft before">
        {{
          quiz.askedBefore === quiz.questions.length
            ? 'This lecture has no questions that were not asked yet; these come again.'
            : `${count(quiz.askedBefore, 'question')} of these were asked before.`
        }}
      </p>
      <QuizQuestion
        v-for="(q, i) in quiz.questions"
        :key="`${quiz.id}.${i}`"
        v-model="answers[i]!"
        :question="q"
        :number="i + 1"
        :marked="result?.answers[i] ?? null"
      >
        <ul v-if="result?.answers[i]" class="lines">
          <EvidenceLine
            v-for="(source, s) in result.answers[i].sources"
            :key="s"
            :evidence="source"
            :take-key="`quiz:${quiz.id}`"
            @hear="hear"
            @taken="load"
          />
        </ul>
      </QuizQuestion>
      <v-btn v-if="!result" type="submit">{{ left ? `Finish, ${count(left, 'question')} open` : 'Finish' }}</v-btn>
    </form>
  </div>
</template>

<style scoped src="./desk.css"></style>
<style scoped>
summary {
  cursor: pointer;
}
.kind {
  display: flex;
  gap: 9px;
  padding: 3px 8px;
  cursor: pointer;
}
.kind input {
  accent-color: var(--act);
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
</style>
