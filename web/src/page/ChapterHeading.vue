<script setup lang="ts">
import { inject, onMounted, ref, watch } from 'vue'
import type { Chapter } from '@/api/client'
import { clock, exactDuration } from '@/shared/time'
import ChapterPicture from './ChapterPicture.vue'
import { lectureIdKey } from './lectureId'
import { plain } from './text'

const props = defineProps<{ chapter: Chapter; isFirst: boolean; canEdit: boolean; hasPicture: boolean }>()
const emit = defineEmits<{ rename: [title: string]; join: []; move: [step: number]; hear: [] }>()
const lectureId = inject(lectureIdKey)
const title = ref<HTMLElement>()

const render = () => {
  if (title.value && title.value.textContent !== props.chapter.title) title.value.textContent = props.chapter.title
}
onMounted(render)
watch(() => props.chapter, render, { flush: 'post' })

function done() {
  const text = plain(title.value?.textContent ?? '')
  if (text && text !== props.chapter.title) emit('rename', text)
  else render()
}
function cancel() {
  render()
  title.value?.blur()
}
</script>

<template>
  <div class="heading">
    <button
      v-if="hasPicture && lectureId"
      class="picture"
      type="button"
      :aria-label="`Hear ${chapter.title} from the beginning`"
      @click="emit('hear')"
    >
      <ChapterPicture :lecture-id="lectureId" :start-ms="chapter.startMs" />
    </button>
    <h2>
      <span
        ref="title"
        :contenteditable="canEdit ? 'plaintext-only' : 'false'"
        role="textbox"
        :aria-label="`Title of the chapter at ${clock(chapter.startMs)}`"
        :aria-readonly="!canEdit"
        spellcheck="false"
        tabindex="-1"
        @blur="done"
        @keydown.enter.prevent="title?.blur()"
        @keydown.esc.stop.prevent="cancel"
        @keydown.alt.up.prevent="emit('move', -1)"
        @keydown.alt.down.prevent="emit('move', 1)"
      ></span>
    </h2>
    <span class="length k-soft">
      <button v-if="canEdit && !isFirst" class="k-quiet join" type="button" tabindex="-1" @click="emit('join')">
        Join to the chapter before
      </button>
      {{ exactDuration(chapter.endMs - chapter.startMs) }}
    </span>
  </div>
</template>

<style scoped>
.heading {
  display: grid;
  grid-template-columns: var(--page-columns);
  margin: 22px 0 7px;
  align-items: baseline;
}
h2 {
  grid-column: var(--page-text);
  grid-row: 1;
  font-size: calc(var(--reading-size) * 1.16);
  margin: 0;
  padding-right: 120px;
}
h2 span {
  cursor: text;
  outline: none;
}
h2 span:focus {
  box-shadow: 0 2px 0 var(--act);
}
.picture {
  grid-row: 1;
  width: 68px;
  align-self: end;
  margin-bottom: 3px;
}
@media (max-width: 900px) {
  .picture {
    display: none;
  }
}
.length {
  grid-column: var(--page-text);
  grid-row: 1;
  justify-self: end;
  font: 400 13px var(--sans);
  white-space: nowrap;
}
.join {
  opacity: 0;
  margin-right: 8px;
  background: var(--paper);
}
.heading:hover .join,
.join:focus-visible {
  opacity: 1;
}
</style>
