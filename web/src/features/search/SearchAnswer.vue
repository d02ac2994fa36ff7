<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { shallowRef } from 'vue'
import { api, must, type PassingAnswer } from '@/api/client'
import AnswerLines from '@/features/ask/AnswerLines.vue'
import AnswerState from '@/features/ask/AnswerState.vue'
import { count } from '@/shared/time'
import { useLatest } from '@/shared/useLatest'
import { isQuestion } from './question'
import type { Wanted } from './useSearch'

/** What the lectures answer, where what is looked for is a question. */
const props = defineProps<{ wanted: Wanted; playing: string | null }>()
const emit = defineEmits<{ play: [lectureId: string, startMs: number, endMs: number] }>()
const found = shallowRef<PassingAnswer | null>(null)
const latest = useLatest()
const pauseMs = 350

watchDebounced(
  () => [props.wanted.text, props.wanted.course, props.wanted.lecture, props.wanted.from, props.wanted.to] as const,
  ([text, course, lecture, from, to]) =>
    latest(
      () =>
        isQuestion(text)
          ? must(
              api.GET('/api/answer', {
                params: {
                  query: {
                    text,
                    course: course ?? undefined,
                    lecture: lecture ?? undefined,
                    from: from || undefined,
                    to: to || undefined,
                  },
                },
              }),
            )
          : Promise.resolve(null),
      (a) => (found.value = a),
      () => (found.value = null),
    ),
  { debounce: pauseMs, immediate: true },
)
</script>

<template>
  <section v-if="found" class="answer" :class="found.answer.state" aria-label="Answer" aria-live="polite">
    <AnswerState :answer="found.answer" :of-lecture="false" />
    <AnswerLines
      v-if="found.answer.state !== 'notSaid'"
      :answer="found.answer"
      :take-key="null"
      names-lectures
      :playing="playing"
      @hear="(l) => emit('play', l.lectureId, l.startMs, l.endMs)"
    />
    <p class="foot">
      <router-link
        data-hit
        class="k-link"
        :to="{ name: 'ask', query: { q: wanted.text, course: wanted.course ?? undefined } }"
      >
        Ask on in a thread
      </router-link>
      <small class="k-soft">asked of {{ count(found.asked, 'lecture') }}</small>
    </p>
  </section>
</template>

<style scoped>
.answer {
  margin-top: 16px;
  padding: 12px 18px 8px;
  background: var(--sheet);
  border-left: 3px solid var(--sea);
}
.perhaps {
  border-left-color: var(--buff);
}
.notSaid {
  border-left-color: var(--wrong);
}
.foot {
  display: flex;
  align-items: baseline;
  gap: 18px;
  font-size: 14px;
  margin-top: 6px;
}
</style>
