<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { says, type Lecture } from '@/api/client'
import type { Span } from '@/page/usePassages'
import { useNotice } from '@/shared/notice'
import { clock } from '@/shared/time'

const props = defineProps<{ lecture: Lecture; span: Span | null; hasVoices: boolean }>()
const emit = defineEmits<{ closed: [] }>()
const notice = useNotice()
const formats = [
  { value: 'txt', title: 'Plain text', text: true },
  { value: 'md', title: 'Markdown', text: true },
  { value: 'docx', title: 'Document (docx)', text: true },
  { value: 'pdf', title: 'PDF', text: true },
  { value: 'srt', title: 'Captions: SubRip (srt)', text: false },
  { value: 'vtt', title: 'Captions: WebVTT (vtt)', text: false },
  { value: 'chapters', title: 'Chapters: WebVTT', text: false },
  { value: 'chaptersJson', title: 'Chapters: Podcasting 2.0 (json)', text: false },
  { value: 'chaptersFfmpeg', title: 'Chapters: for FFmpeg', text: false },
  { value: 'tsv', title: 'Table (tsv)', text: false },
  { value: 'json', title: 'Everything (Kostel JSON)', text: false },
] as const
const format = useLocalStorage<(typeof formats)[number]['value']>('kostel.format', 'txt')
const speakers = useLocalStorage('kostel.withNames', true)
const times = useLocalStorage('kostel.withTimes', false)
const links = ref(false)
const withoutFillers = ref(false)
const onlySpan = ref(props.span !== null)
const problem = ref('')
const isText = computed(() => formats.find((f) => f.value === format.value)?.text ?? false)

const address = computed(() => {
  const query = new URLSearchParams({ format: format.value })
  if (isText.value) {
    query.set('speakers', String(speakers.value))
    query.set('times', String(times.value))
    if (times.value && links.value) query.set('links', 'true')
  }
  if (withoutFillers.value) query.set('withoutFillers', 'true')
  if (onlySpan.value && props.span) {
    query.set('fromMs', String(props.span.startMs))
    query.set('toMs', String(props.span.endMs))
  }
  return `/api/lectures/${props.lecture.id}/export?${query}`
})

async function copy() {
  try {
    const answer = await fetch(address.value)
    if (!answer.ok) throw new Error(((await answer.json()) as { detail?: string }).detail ?? 'It could not be copied.')
    await navigator.clipboard.writeText(await answer.text())
    notice.tell('Copied.')
    emit('closed')
  } catch (e) {
    problem.value = says(e)
  }
}
</script>

<template>
  <v-dialog :model-value="true" aria-label="Take away" @update:model-value="emit('closed')">
    <div class="k-sheet">
      <h2>Take away</h2>
      <v-select v-model="format" :items="[...formats]" label="As" />
      <template v-if="isText">
        <label v-if="hasVoices"><input v-model="speakers" type="checkbox" /> with the names of who speaks</label>
        <label><input v-model="times" type="checkbox" /> with times</label>
        <label v-if="times && format !== 'txt'"
          ><input v-model="links" type="checkbox" /> times are links to the lecture on this computer</label
        >
      </template>
      <label v-if="!format.startsWith('chapters')"
        ><input v-model="withoutFillers" type="checkbox" /> without fillers and false starts</label
      >
      <label v-if="span"
        ><input v-model="onlySpan" type="checkbox" /> only what is selected, {{ clock(span.startMs) }} to
        {{ clock(span.endMs) }}</label
      >
      <p>
        <a class="k-link" :href="`/api/lectures/${lecture.id}/archive`" download @click="emit('closed')"
          >All of it in one archive</a
        >
        <span class="k-soft"> text, captions, summary, sheets, cards, quiz, marks</span>
      </p>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <div class="row">
        <v-btn :href="address" download @click="emit('closed')">Save the file</v-btn>
        <v-btn v-if="format !== 'docx' && format !== 'pdf'" variant="text" @click="copy">Copy</v-btn>
        <v-btn variant="text" @click="emit('closed')">Close</v-btn>
      </div>
    </div>
  </v-dialog>
</template>

<style scoped>
.row {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
.problem {
  color: var(--wrong);
}
</style>
