<script setup lang="ts">
import { ref } from 'vue'
import { api, must, type HeardAnswer } from '@/api/client'
import AnsweringQuote from '@/shared/evidence/AnsweringQuote.vue'
import { understood } from '@/shared/meant'
import { useNotice } from '@/shared/notice'
import { clock } from '@/shared/time'

/** A question in class: answered from what was said so far, else from the earlier lectures of the course. */
const props = defineProps<{ recordingId: string }>()
const notice = useNotice()
const text = ref('')
const asked = ref('')
const answer = ref<HeardAnswer | null>(null)
const isAsking = ref(false)
const heads: Record<HeardAnswer['state'], string> = {
  said: 'Said',
  perhaps: 'Perhaps; nothing says it outright',
  notSaid: 'Not said so far. The nearest',
}

async function ask() {
  const question = text.value.trim()
  if (!question || isAsking.value) return
  isAsking.value = true
  const params = { path: { id: props.recordingId } }
  const found = await notice.attempt(() =>
    must(api.POST('/api/recordings/{id}/questions', { params, body: { text: question } })),
  )
  isAsking.value = false
  if (!found) return
  answer.value = found
  asked.value = question
  text.value = ''
}
</script>

<template>
  <form class="line" @submit.prevent="ask">
    <input v-model="text" maxlength="1000" placeholder="Ask what was said" aria-label="Ask what was said" />
    <button class="k-link" type="submit" :disabled="!text.trim() || isAsking">Ask</button>
  </form>
  <section v-if="answer" class="answer" aria-label="The answer">
    <p>
      <b>{{ asked }}</b>
      <span class="k-soft">{{ answer.lines.length ? heads[answer.state] : 'Not said so far' }}.</span>
      <button class="k-quiet" type="button" aria-label="Close the answer" @click="answer = null">×</button>
    </p>
    <p v-if="answer.meant.length" class="k-soft">Understood {{ understood(answer.meant) }}.</p>
    <p v-for="(l, i) in answer.lines" :key="i" class="quote">
      <span class="k-time k-soft">{{ clock(l.startMs) }}</span>
      <router-link
        v-if="l.lectureId"
        class="k-soft"
        :to="{ name: 'lecture', params: { id: l.lectureId }, query: { t: l.startMs } }"
        >{{ l.title }}:</router-link
      >
      <AnsweringQuote
        :quote="l.quote"
        :part="answer.state === 'notSaid' ? undefined : { from: l.from, to: l.to }"
        :is-firm="answer.state === 'said'"
      />
    </p>
    <p v-if="!answer.lines.length" class="k-soft">Nothing near it was said either.</p>
  </section>
</template>

<style scoped>
.line {
  display: flex;
  gap: 12px;
  flex: 1 1 240px;
}
.line input {
  flex: 1;
  min-width: 0;
  padding: 5px 8px;
  border: 1px solid var(--hair);
  border-radius: 4px;
  background: var(--sheet);
}
.answer {
  flex: 1 1 100%;
  border: 1px solid var(--hair);
  padding: 10px 14px;
  background: var(--sheet);
}
.answer .k-quiet {
  float: right;
}
.quote {
  font: 400 16px/1.5 var(--serif);
  margin-top: 4px;
}
.quote a {
  margin-right: 6px;
}
.answer b + span {
  margin-left: 6px;
}
.quote .k-time {
  margin-right: 8px;
  font: 400 13px var(--sans);
}
</style>
