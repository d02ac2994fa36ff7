<script setup lang="ts">
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import type { HeardCorrection, Word } from '@/api/client'
import { clock } from '@/shared/time'
import { correction, partText, parts, textOf } from './heard'

/** What is said, as it is said: words that stand, and behind them those that may still change. In a pause a sentence can be put right. */
const props = defineProps<{ words: readonly Word[]; tentative: readonly Word[]; canCorrect: boolean }>()
const emit = defineEmits<{ correct: [HeardCorrection] }>()
const shown = 12
const all = computed(() => parts(props.words).slice(-shown))
const box = ref<HTMLElement>()
const edited = shallowRef<Word[] | null>(null)
const text = ref('')
let follows = true
const scrolled = () =>
  box.value && (follows = box.value.scrollHeight - box.value.scrollTop - box.value.clientHeight < 60)
watch(
  () => [props.words, props.tentative],
  async () => {
    await nextTick()
    if (follows && box.value && !edited.value) box.value.scrollTop = box.value.scrollHeight
  },
)
watch(
  () => props.canCorrect,
  () => (edited.value = null),
)

async function edit(sentence: Word[]) {
  edited.value = sentence
  text.value = textOf(sentence)
  await nextTick()
  box.value?.querySelector('input')?.focus()
}
async function back() {
  const at = edited.value?.[0]?.startMs
  edited.value = null
  await nextTick()
  box.value?.querySelector<HTMLElement>(`[data-at="${at}"]`)?.focus()
}
function keep() {
  const change = edited.value && correction(edited.value, text.value)
  if (change) emit('correct', change)
  void back()
}
</script>

<template>
  <div ref="box" class="heard" tabindex="0" role="log" aria-label="What is said" @scroll="scrolled">
    <p v-if="!words.length && !tentative.length" class="k-soft">The words come a moment after they are said.</p>
    <p v-for="(p, i) in all" :key="p.startMs">
      <span class="k-time k-soft">{{ clock(p.startMs) }}</span>
      <template v-if="!canCorrect">{{ partText(p) }}</template>
      <template v-for="s in canCorrect ? p.sentences : []" :key="s[0]!.startMs">
        <form
          v-if="edited?.[0]?.startMs === s[0]!.startMs"
          class="edit"
          @submit.prevent="keep"
          @keydown.esc.stop.prevent="back"
        >
          <input v-model="text" maxlength="2000" aria-label="What was said" />
          <button class="k-link" type="submit">Keep it</button>
          <button class="k-quiet" type="button" @click="back">Leave it</button>
        </form>
        <button v-else class="said" type="button" :data-at="s[0]!.startMs" @click="edit(s)">{{ textOf(s) }}</button>{{
          ' '
        }}
      </template>
      <span v-if="i === all.length - 1" class="open">{{ ` ${textOf(tentative)}` }}</span>
    </p>
    <p v-if="!words.length && tentative.length" class="open">{{ textOf(tentative) }}</p>
  </div>
</template>

<style scoped>
.heard {
  border-top: 1px solid var(--ink);
  border-bottom: 1px solid var(--hair);
  padding: 14px 0;
  height: min(44vh, 420px);
  overflow-y: auto;
  font: 400 17px/1.6 var(--serif);
}
.heard p {
  margin-bottom: 10px;
}
.k-time {
  font: 400 13px var(--sans);
  margin-right: 8px;
}
.open {
  color: var(--soft);
  font-style: italic;
}
.said {
  border: 0;
  padding: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: text;
}
.said:hover,
.said:focus-visible {
  background: var(--sheet);
  outline: 1px solid var(--hair);
}
.edit {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  margin: 4px 0;
  font: 400 14px var(--sans);
}
.edit input {
  flex: 1 1 280px;
  min-width: 0;
  padding: 4px 8px;
  border: 1px solid var(--ink);
  border-radius: 4px;
  background: var(--sheet);
  font: 400 17px var(--serif);
}
</style>
