<script setup lang="ts">
import type { Passage } from '@/api/client'
import { clock } from '@/shared/time'
import { between } from '@/shared/units'

const props = defineProps<{
  passage: Passage
  speaker: string | null
  spoken: number
  marked: boolean
  unsureBelow: number
  guessedBelow: number
}>()
const emit = defineEmits<{ hear: [ms: number]; name: [] }>()

function hear(event: MouseEvent) {
  const word = (event.target as HTMLElement).closest<HTMLElement>('[data-w]')
  const chosen = word && props.passage.words[Number(word.dataset.w)]
  if (chosen && !getSelection()?.toString()) emit('hear', chosen.startMs)
}
</script>

<template>
  <div class="passage" :class="{ marked }">
    <div class="aside">
      <button v-if="speaker" class="speaker" type="button" :title="`Name ${speaker}`" @click="emit('name')">
        {{ speaker }}
      </button>
      <button
        class="k-quiet k-time"
        type="button"
        :aria-label="`Hear from ${clock(passage.startMs)}`"
        @click="emit('hear', passage.startMs)"
      >
        {{ clock(passage.startMs) }}
      </button>
      <span v-if="(passage.confidence ?? 1) < unsureBelow" class="doubt">hard to hear</span>
    </div>
    <!-- The times are buttons already; clicking a word is the same by mouse, to the word. -->
    <p @click="hear">
      <template v-for="(w, i) in passage.words" :key="i"
        ><span
          :data-w="i"
          :class="{ unsure: w.confidence < unsureBelow, guessed: w.confidence < guessedBelow, now: i === spoken }"
          >{{ w.text }}</span
        >{{ between(w.text, passage.words[i + 1]?.text) }}</template
      >
    </p>
  </div>
</template>

<style scoped>
.passage {
  position: relative;
  content-visibility: auto;
  contain-intrinsic-size: auto 120px;
  padding-left: 88px;
  margin-left: -88px;
  overflow: visible;
}
p {
  font: 400 17px/1.6 var(--serif);
  margin: 0 0 13px;
  hyphens: manual;
}
p span {
  cursor: pointer;
}
p span:hover {
  background: var(--seawash);
}
.marked p {
  box-shadow:
    -10px 0 0 var(--paper),
    -13px 0 0 var(--sea);
}
.unsure {
  text-decoration: underline dotted 1px color-mix(in srgb, var(--ink) 38%, transparent);
  text-underline-offset: 4px;
}
.guessed {
  text-decoration: underline dotted 1.5px color-mix(in srgb, var(--wrong) 75%, transparent);
}
.now {
  box-shadow: inset 0 -3px var(--ink);
  font-variation-settings: 'wght' 620;
}
.aside {
  position: absolute;
  left: 0;
  width: 68px;
  top: 4px;
  text-align: right;
  font-size: 13px;
  line-height: 1.3;
  display: flex;
  flex-direction: column;
  align-items: flex-end;
}
.speaker {
  font-weight: 600;
  text-align: right;
  overflow-wrap: anywhere;
}
.speaker:hover {
  text-decoration: underline;
}
.doubt {
  color: var(--wrong);
}
.aside button {
  padding: 0;
}
.passage:has(.speaker) {
  min-height: 56px;
}
.speaker,
.speaker + button {
  min-height: 24px;
}
@media (max-width: 900px) {
  .passage {
    padding-left: 0;
    margin-left: 0;
  }
  .aside {
    position: static;
    width: auto;
    flex-direction: row;
    gap: 8px;
  }
}
</style>
