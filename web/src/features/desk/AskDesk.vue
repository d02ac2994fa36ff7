<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, must, type Question } from '@/api/client'
import { useNotice } from '@/shared/notice'
import AnsweringQuote from '@/shared/evidence/AnsweringQuote.vue'
import EvidenceLine from '@/shared/evidence/EvidenceLine.vue'
import { count } from '@/shared/time'
import { useLatest } from '@/shared/useLatest'
import { useLoaded } from '@/shared/useLoaded'
import { useDesk } from './useDesk'

const { lecture, version, hear, show } = useDesk()
const latest = useLatest()

const notice = useNotice()
const asked = ref<Question[]>([])
const shownId = ref<number | null>(null)
const route = useRoute()
const text = ref(typeof route.query.about === 'string' ? route.query.about : '')
const isBusy = ref(false)
const field = ref<HTMLInputElement>()
const body = ref<HTMLElement>()

const shown = computed(() => asked.value.find((q) => q.id === shownId.value) ?? null)
const earlier = computed(() => asked.value.filter((q) => q.id !== shownId.value))
const path = () => ({ path: { id: lecture.value.id } })

const load = () =>
  latest(
    () => must(api.GET('/api/lectures/{id}/questions', { params: path() })),
    (questions) => (asked.value = questions),
    notice.fail,
  )
watch(version, load)
onMounted(() => {
  field.value?.focus({ preventScroll: true })
  return load()
})

const { value: offered } = useLoaded(() => must(api.GET('/api/lectures/{id}/questions/worth', { params: path() })))
const worth = computed(() => (offered.value ?? []).filter((q) => !asked.value.some((a) => a.text === q)))
function askAlone(question: string) {
  text.value = question
  return ask(null)
}

/** @param after The question that this one may lean on. */
async function ask(after: number | null = shownId.value) {
  const question = text.value.trim()
  if (!question || isBusy.value) return
  isBusy.value = true
  const answered = await notice.attempt(() =>
    must(api.POST('/api/lectures/{id}/questions', { params: path(), body: { text: question, after } })),
  )
  isBusy.value = false
  if (!answered) return
  asked.value = [answered, ...asked.value]
  // A list that was asked for before does not know this question.
  void load()
  shownId.value = answered.id
  text.value = ''
  await nextTick()
  body.value?.scrollTo({ top: 0 })
}

watch(shown, (q) => show(q && q.answer.state !== 'notSaid' ? q.answer.lines : []))
</script>

<template>
  <div ref="body" class="body">
    <div v-if="shown" aria-live="polite">
      <h3 class="question">{{ shown.text }}</h3>
      <p v-if="shown.answer.taken.length" class="k-soft small taken">
        Taken with {{ shown.answer.taken.map((w) => `“${w}”`).join(', ') }} of the question before.
        <button class="k-link" type="button" @click="askAlone(shown.text)">Ask it by itself</button>
      </p>
      <template v-if="shown.answer.state !== 'said'">
        <p class="state" :class="shown.answer.state">
          {{
            shown.answer.state === 'perhaps' ? 'Perhaps. Nothing here says it outright.' : 'This lecture doesn’t say.'
          }}
        </p>
        <p v-if="shown.answer.unheardWords.length" class="k-soft small">
          Never said here: {{ shown.answer.unheardWords.map((w) => `“${w}”`).join(', ') }}
        </p>
        <p v-if="shown.answer.lines.length" class="near">Nearest to it</p>
      </template>
      <ul class="lines">
        <EvidenceLine
          v-for="(line, i) in shown.answer.lines"
          :key="line.startMs"
          :class="{ nearly: shown.answer.state === 'notSaid' }"
          :evidence="line"
          :take-key="`answer:${shown.id}`"
          shows-chapter
          @hear="hear"
          @taken="load"
        >
          <AnsweringQuote
            :quote="line.quote"
            :part="shown.answer.state === 'said' ? shown.answer.parts[i] : undefined"
          />
        </EvidenceLine>
      </ul>
    </div>
    <p v-else class="k-soft lead">
      Every answer is made of sentences of this lecture, each with its time. What the lecture does not say, Kostel does
      not say either.
    </p>
    <div v-if="worth.length && !shown" class="earlier">
      <b>Worth asking</b>
      <button v-for="q in worth" :key="q" class="k-link" type="button" @click="askAlone(q)">{{ q }}</button>
    </div>
    <div v-if="earlier.length" class="earlier">
      <b>{{ count(earlier.length, 'earlier question') }}</b>
      <button v-for="q in earlier" :key="q.id" class="k-quiet" type="button" @click="shownId = q.id">
        {{ q.text }}
      </button>
    </div>
  </div>
  <form class="ask" @submit.prevent="ask()">
    <input
      ref="field"
      v-model="text"
      maxlength="500"
      placeholder="Ask about this lecture"
      aria-label="Ask about this lecture"
    />
    <button class="k-link" type="submit" :disabled="!text.trim() || isBusy">Ask</button>
  </form>
</template>

<style scoped>
.body {
  flex: 1;
  overflow-y: auto;
  padding: 6px 24px 16px;
}
.question {
  font-size: 17px;
  margin: 4px 0 12px;
  overflow-wrap: anywhere;
}
.lines {
  list-style: none;
  padding: 0;
}
.nearly {
  color: var(--soft);
}
.state {
  font: 600 16px var(--serif);
  border-left: 3px solid var(--wrong);
  padding-left: 10px;
}
.perhaps {
  border-left-color: var(--buff);
}
.small {
  font-size: 14px;
  padding-left: 13px;
}
.taken {
  padding-left: 0;
  margin-bottom: 8px;
}
.near {
  margin: 14px 0 4px;
  font-weight: 600;
  font-size: 14px;
}
.lead {
  max-width: 340px;
}
.earlier {
  margin-top: 26px;
  font-size: 14px;
  display: flex;
  flex-direction: column;
  align-items: flex-start;
}
.ask {
  display: flex;
  gap: 12px;
  margin: 0 24px 18px;
  border-bottom: 1px solid var(--ink);
}
.ask input {
  flex: 1;
  min-width: 0;
  padding: 8px 2px;
  color: var(--ink);
  outline: 0;
}
.ask:focus-within {
  border-bottom: 2px solid var(--act);
  margin-bottom: 17px;
}
.ask input::placeholder {
  color: var(--soft);
  opacity: 1;
}
</style>
