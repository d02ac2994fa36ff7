<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { shallowRef } from 'vue'
import { api, must, type LibraryAnswer } from '@/api/client'
import AnsweringQuote from '@/shared/evidence/AnsweringQuote.vue'
import { clock, count, day } from '@/shared/time'
import { useLatest } from '@/shared/useLatest'
import { isQuestion } from './question'
import type { Wanted } from './useSearch'

/** What the lectures answer, where what is looked for is a question. */
const props = defineProps<{ wanted: Wanted; playing: string | null }>()
const emit = defineEmits<{ play: [lectureId: string, startMs: number, endMs: number] }>()
const answer = shallowRef<LibraryAnswer | null>(null)
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
      (a) => (answer.value = a),
      () => (answer.value = null),
    ),
  { debounce: pauseMs, immediate: true },
)
const said = { said: 'Said', perhaps: 'Perhaps. Nothing says it outright.', notSaid: 'None of the lectures says this.' }
</script>

<template>
  <section v-if="answer" class="answer" :class="answer.state" aria-label="Answer" aria-live="polite">
    <p class="state">
      {{ said[answer.state] }}
      <small class="k-soft">asked of {{ count(answer.asked, 'lecture') }}</small>
    </p>
    <p v-if="answer.state !== 'said' && answer.unheardWords.length" class="k-soft small">
      Never said: {{ answer.unheardWords.map((w) => `“${w}”`).join(', ') }}
    </p>
    <ul v-if="answer.state !== 'notSaid'">
      <li v-for="l in answer.lines" :key="`${l.evidence.lectureId}${l.evidence.startMs}`">
        <button
          v-if="l.hasSound"
          class="k-link k-time"
          type="button"
          :aria-label="`Hear ${clock(l.evidence.startMs)} of ${l.lectureTitle}`"
          @click="emit('play', l.evidence.lectureId, l.evidence.startMs, l.evidence.endMs)"
        >
          {{ playing === `${l.evidence.lectureId}-${l.evidence.startMs}` ? 'Stop' : clock(l.evidence.startMs) }}
        </button>
        <span v-else class="k-soft k-time">{{ clock(l.evidence.startMs) }}</span>
        <router-link
          data-hit
          class="line"
          :to="{
            name: 'lecture',
            params: { id: l.evidence.lectureId },
            query: { t: Math.floor(l.evidence.startMs / 1000), desk: 'ask', about: wanted.text },
          }"
        >
          <AnsweringQuote :quote="l.evidence.quote" :part="answer.state === 'said' ? l.part : undefined" />
          <small class="k-soft">
            {{ l.lectureTitle }}<template v-if="l.heldOn"> · {{ day(l.heldOn) }}</template>
            <template v-if="l.evidence.chapter"> · {{ l.evidence.chapter }}</template>
          </small>
        </router-link>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.answer {
  margin-top: 16px;
  padding: 12px 18px 4px;
  background: var(--sheet);
  border-left: 3px solid var(--sea);
}
.perhaps {
  border-left-color: var(--buff);
}
.notSaid {
  border-left-color: var(--wrong);
}
.state {
  font: 600 16px var(--serif);
}
.state small {
  font: 400 13px var(--sans);
  margin-left: 8px;
}
.small {
  font-size: 14px;
}
ul {
  list-style: none;
  padding: 0;
  margin-top: 6px;
}
li {
  display: grid;
  grid-template-columns: 58px 1fr;
  align-items: baseline;
  padding: 8px 0;
  border-top: 1px solid var(--hair);
}
.line:not(.v-btn) {
  color: var(--ink);
  text-decoration: none;
  min-width: 0;
}
.line small {
  display: block;
  font: 400 13px var(--sans);
}
</style>
