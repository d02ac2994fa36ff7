<script setup lang="ts">
import { nextTick, ref, watch } from 'vue'
import { clock, count } from '@/shared/time'
import type { Doubts } from './useDoubts'

const props = defineProps<{ doubts: Doubts; hasSound: boolean }>()
const emit = defineEmits<{
  hear: [startMs: number, endMs: number]
  show: [passage: number]
  corrected: [before: string, after: string]
  close: []
}>()
const { current, all, done, total, skip, settle } = props.doubts
const text = ref('')
const field = ref<HTMLInputElement>()
const isBusy = ref(false)

// A little before and after, or a short word is not understood.
const leadMs = 700
const hear = () =>
  current.value && emit('hear', Math.max(0, current.value.startMs - leadMs), current.value.endMs + leadMs)

watch(
  current,
  async (word, before) => {
    if (!word || (before?.passageId === word.passageId && before.word === word.word && before.text === word.text))
      return
    text.value = word.text
    emit('show', word.passage)
    if (props.hasSound) hear()
    await nextTick()
    field.value?.focus({ preventScroll: true })
    field.value?.select()
  },
  { immediate: true },
)

async function enter() {
  if (isBusy.value) return
  isBusy.value = true
  const now = text.value.trim()
  const was = await settle(now)
  isBusy.value = false
  if (was !== null) emit('corrected', was, now)
}

function key(event: KeyboardEvent) {
  const action = { ArrowDown: () => skip(1), ArrowUp: () => skip(-1), Escape: () => emit('close') }[event.key]
  if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) {
    event.preventDefault()
    hear()
  } else if (action) {
    event.preventDefault()
    event.stopPropagation()
    action()
  }
}
</script>

<template>
  <form class="doubts" aria-label="Doubtful words" @submit.prevent="enter" @keydown="key">
    <template v-if="current">
      <span class="k-time progress" role="status">{{ Math.min(done + 1, total) }} of {{ total }}</span>
      <span class="k-time k-soft">{{ clock(current.startMs) }}</span>
      <input ref="field" v-model="text" maxlength="200" aria-label="The word" autocomplete="off" spellcheck="false" />
      <span class="k-soft">{{ Math.round(current.chance * 100) }} % sure</span>
      <button class="k-link" type="submit" :disabled="isBusy">
        {{ text.trim() === current.text ? 'It is right' : text.trim() ? 'Correct it' : 'Leave it out' }}
      </button>
      <button v-if="hasSound" class="k-quiet" type="button" @click="hear">Hear</button>
      <button class="k-quiet" type="button" @click="skip(1)">Skip</button>
    </template>
    <span v-else role="status">{{
      total ? `All ${count(total, 'doubtful word')} looked at.` : 'No doubtful words are left.'
    }}</span>
    <button class="k-quiet end" type="button" @click="emit('close')">Close</button>
    <small v-if="current" class="k-soft keys"
      ><span class="k-key">Enter</span> right or corrected <span class="k-key">↓</span> skip
      <span class="k-key">↑</span> back
      <template v-if="hasSound"><span class="k-key">Ctrl Enter</span> hear</template> ·
      {{ count(all.length, 'left', 'left') }}</small
    >
  </form>
</template>

<style scoped>
.doubts {
  grid-area: doubts;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: baseline;
  background: var(--sheet);
  border-top: 1px solid var(--ink);
  padding: 9px 28px;
}
.progress {
  font: 600 17px var(--serif);
}
input {
  width: 190px;
  font: 400 18px var(--serif);
  color: var(--ink);
  background: transparent;
  border-bottom: 1px solid var(--ink);
}
.end {
  margin-left: auto;
}
.keys {
  flex-basis: 100%;
}
button {
  min-height: 24px;
}
</style>
