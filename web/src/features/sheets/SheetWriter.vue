<script setup lang="ts">
import { reactive } from 'vue'
import type { Sheet, Writers } from '@/api/client'
import type { WantedFrom } from './wanted'
import SentPreview from '@/features/writing/SentPreview.vue'
import { useSheetWriting, type SheetWish } from './useSheetWriting'

/** A sheet that a model of the person's own writes from the transcript; what the lecture does not bear out is left out. */
const props = defineProps<{
  lectureId: string
  writers: Writers
  wanted: WantedFrom
}>()
const emit = defineEmits<{ written: [sheet: Sheet] }>()
const { preview, text, isWriting, problem, begin, write, stop, part, parts } = useSheetWriting(props.lectureId)
const wish = reactive<Pick<SheetWish, 'form' | 'words' | 'level' | 'instructions'>>({
  form: 'points',
  words: 200,
  level: 'asSaid',
  instructions: null,
})
const forms = { points: 'Points', terms: 'Terms', questions: 'Questions with answers' } as const
const lengths = { 80: 'short', 200: 'half a page', 400: 'a page', 800: 'two pages' }
const levels = { asSaid: 'in the lecture’s manner', plain: 'in plain words', expert: 'dense, for experts' } as const

const take = (sheet: Sheet | null) => sheet && emit('written', sheet)
const start = async () => {
  const { chapter, ofMarks, subject } = props.wanted
  return take(await begin({ ...wish, chapter, ofMarks, subject }))
}
const send = async (showsFirst: boolean) => take(await write(showsFirst))
</script>

<template>
  <section class="writer" aria-label="Written by a model">
    <h3>Let {{ writers.writer?.model }} write one</h3>
    <p v-if="isWriting" class="coming" aria-live="polite">
      <span class="k-soft">{{ parts > 1 ? `Part ${part} of ${parts}` : 'It writes' }}</span>
      {{ text.slice(-400).replaceAll(/\[[^\]]*\]/g, '') || 'Waiting for the model' }}
      <button class="k-link" type="button" @click="stop">Stop</button>
    </p>
    <template v-else>
      <p class="choice">
        <select v-model="wish.form" class="k-select" aria-label="What it writes">
          <option v-for="(name, form) in forms" :key="form" :value="form">{{ name }}</option>
        </select>
        <select v-model.number="wish.words" class="k-select" aria-label="Length">
          <option v-for="(name, words) in lengths" :key="words" :value="Number(words)">{{ name }}</option>
        </select>
        <select v-model="wish.level" class="k-select" aria-label="For whom">
          <option v-for="(name, level) in levels" :key="level" :value="level">{{ name }}</option>
        </select>
        <select
          v-if="writers.instructions.length"
          v-model="wish.instructions"
          class="k-select"
          aria-label="Instructions"
        >
          <option :value="null">no instructions</option>
          <option v-for="i in writers.instructions" :key="i.name" :value="i.name">by “{{ i.name }}”</option>
        </select>
        <v-btn variant="outlined" @click="start">Write it</v-btn>
      </p>
      <p class="k-soft">Each line is compared with the lecture. What it does not bear out is left out, and listed.</p>
      <p v-if="problem" class="problem" role="alert">{{ problem }} Nothing was changed.</p>
    </template>
    <SentPreview :preview="preview" @send="send" @closed="preview = null" />
  </section>
</template>

<style scoped>
.writer {
  margin-top: 26px;
  padding-top: 6px;
}
.choice {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  margin: 8px 0;
}
.coming {
  margin-top: 10px;
  white-space: pre-line;
}
.coming span {
  display: block;
}
.problem {
  color: var(--wrong);
  margin-top: 8px;
}
</style>
