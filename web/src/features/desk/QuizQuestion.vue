<script setup lang="ts">
import { computed } from 'vue'
import type { Attempt, QuizQuestion } from '@/api/client'
import { matched, moved, ordered, toDo, toggled, type Given } from './quizAnswers'

/** A question of a quiz, to be answered in the way of its kind, and as it was answered. */
const props = defineProps<{
  question: QuizQuestion
  number: number
  /** Null until the quiz is finished. */
  marked: Attempt['answers'][number] | null
}>()
const given = defineModel<Given>({ required: true })

const isChosen = computed(() => props.question.kind === 'choice' || props.question.kind === 'several')
const isWritten = computed(() => ['gap', 'short', 'number'].includes(props.question.kind))
const order = computed(() => ordered(props.question, given.value))
const name = computed(() => `q${props.number}`)

const choose = (chosen: number[]) => (given.value = { chosen, text: null })

/** How a choice stands in the result: in words, not by colour alone. */
function mark(choice: number): '' | 'right' | 'wrong' | 'missed' {
  if (!props.marked) return ''
  const isRight = props.marked.solution.chosen.includes(choice)
  const wasChosen = props.marked.given.chosen.includes(choice)
  if (isRight) return props.question.kind === 'several' && !wasChosen ? 'missed' : 'right'
  return wasChosen ? 'wrong' : ''
}
const said = { right: 'right', wrong: 'your answer', missed: 'right, not chosen' }
</script>

<template>
  <fieldset>
    <legend class="said">{{ number }}. {{ question.stem }}</legend>
    <p v-if="toDo(question.kind) && !marked" class="k-soft do">{{ toDo(question.kind) }}</p>
    <template v-if="isChosen">
      <label v-for="(choice, c) in question.shown" :key="c" :class="mark(c)">
        <input
          v-if="question.kind === 'choice'"
          type="radio"
          :name="name"
          :checked="given.chosen[0] === c"
          :disabled="Boolean(marked)"
          @change="choose([c])"
        />
        <input
          v-else
          type="checkbox"
          :checked="given.chosen.includes(c)"
          :disabled="Boolean(marked)"
          @change="choose(toggled(given.chosen, c))"
        />
        <span>{{ choice }}</span>
        <em v-if="mark(c)">{{ said[mark(c) as 'right'] }}</em>
      </label>
    </template>
    <template v-else-if="isWritten">
      <p v-if="marked && !marked.given.text" class="written k-soft">Left open</p>
      <p v-else-if="marked" :class="['written', marked.isRight ? 'right' : 'wrong']">
        <span>{{ marked.given.text }}</span>
        <em>{{ marked.isRight ? 'right' : 'your answer' }}</em>
      </p>
      <input
        v-else
        class="write"
        data-dictate
        type="text"
        maxlength="500"
        autocomplete="off"
        :aria-label="`Answer to question ${number}`"
        :value="given.text ?? ''"
        @input="given = { chosen: [], text: ($event.target as HTMLInputElement).value }"
      />
      <p v-if="marked && (!marked.isRight || marked.given.text !== marked.solution.text)" class="solution">
        <span class="k-soft">The lecture says</span> {{ marked.solution.text
        }}<span v-if="marked.also.length" class="k-soft">; right too: {{ marked.also.slice(0, 4).join(', ') }}</span>
      </p>
    </template>
    <ol v-else-if="question.kind === 'order'" class="things">
      <li v-for="(item, at) in order" :key="item">
        <span class="thing">{{ question.shown[item] }}</span>
        <em v-if="marked">{{
          marked.solution.chosen[at] === item ? 'right' : `comes ${marked.solution.chosen.indexOf(item) + 1}.`
        }}</em>
        <span v-else class="moves">
          <button
            type="button"
            class="k-link"
            :disabled="at === 0"
            :aria-label="`Move up: ${question.shown[item]}`"
            @click="choose(moved(order, at, -1))"
          >
            Up
          </button>
          <button
            type="button"
            class="k-link"
            :disabled="at === order.length - 1"
            :aria-label="`Move down: ${question.shown[item]}`"
            @click="choose(moved(order, at, 1))"
          >
            Down
          </button>
        </span>
      </li>
    </ol>
    <ul v-else class="things match">
      <li v-for="(item, i) in question.shown" :key="i">
        <span class="thing">{{ item }}</span>
        <template v-if="marked">
          <span v-if="(marked.given.chosen[i] ?? -1) < 0" class="partner k-soft">Left open</span>
          <span v-else :class="['partner', marked.given.chosen[i] === marked.solution.chosen[i] ? 'right' : 'wrong']">
            <span>{{ question.sides[marked.given.chosen[i] ?? -1] }}</span>
            <em>{{ marked.given.chosen[i] === marked.solution.chosen[i] ? 'right' : 'your answer' }}</em>
          </span>
          <span v-if="marked.given.chosen[i] !== marked.solution.chosen[i]" class="solution">
            <span class="k-soft">The lecture says</span> {{ question.sides[marked.solution.chosen[i] ?? -1] }}
          </span>
        </template>
        <select
          v-else
          :aria-label="`What belongs to: ${item}`"
          :value="given.chosen[i] ?? -1"
          @change="choose(matched(question, given.chosen, i, Number(($event.target as HTMLSelectElement).value)))"
        >
          <option :value="-1">Choose</option>
          <option v-for="(side, s) in question.sides" :key="s" :value="s">{{ side }}</option>
        </select>
      </li>
    </ul>
    <slot />
  </fieldset>
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
legend + * {
  clear: both;
}
.do {
  font-size: 14px;
  padding-bottom: 4px;
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
.write,
select {
  width: 100%;
  max-width: 340px;
  padding: 6px 8px;
  border: 1px solid var(--hair);
  border-radius: 4px;
  background: var(--paper);
  color: inherit;
  font: inherit;
}
.right {
  background: var(--seawash);
}
.wrong > span {
  text-decoration: line-through;
  text-decoration-color: var(--wrong);
}
em {
  margin-left: auto;
  padding-left: 12px;
  font-size: 13px;
  color: var(--soft);
  white-space: nowrap;
}
.written,
.partner {
  display: flex;
  padding: 3px 8px;
}
.solution {
  display: block;
  padding: 3px 8px;
}
.things {
  padding: 0;
  list-style: none;
  clear: both;
}
.things li {
  padding: 5px 8px;
}
ol.things {
  counter-reset: place;
}
ol.things li {
  display: flex;
  align-items: center;
  gap: 10px;
  counter-increment: place;
}
ol.things li::before {
  content: counter(place) '.';
  color: var(--soft);
}
.thing {
  flex: 1;
  overflow-wrap: anywhere;
}
.match li {
  display: grid;
  gap: 4px;
}
.moves {
  display: flex;
}
.moves {
  gap: 12px;
}
.moves button:disabled {
  opacity: 0.3;
}
</style>
