<script setup lang="ts">
import { inject, onMounted, ref, watch } from 'vue'
import { api, type Chapter } from '@/api/client'
import { clock, exactDuration } from '@/shared/time'
import ChapterPicture from './ChapterPicture.vue'
import { lectureIdKey } from './lectureId'
import { plain } from './text'

const props = defineProps<{ chapter: Chapter; isFirst: boolean; canEdit: boolean; hasPicture: boolean }>()
const emit = defineEmits<{ rename: [title: string]; join: []; move: [step: number]; hear: [] }>()
const lectureId = inject(lectureIdKey)
const title = ref<HTMLElement>()
/** What else it could be called, while its title is written. */
const others = ref<string[]>([])

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
/** For another title nobody has to think of one; where the server has none, or is away, one writes as before. */
async function suggest() {
  if (!props.canEdit || !lectureId || others.value.length) return
  const path = { id: lectureId.value, startMs: props.chapter.startMs }
  const { data } = await api
    .GET('/api/lectures/{id}/chapters/{startMs}/titles', { params: { path } })
    .catch(() => ({ data: undefined }))
  if (data && document.activeElement === title.value) others.value = data
}
function left(event: FocusEvent) {
  if (!(event.currentTarget as HTMLElement).contains(event.relatedTarget as Node | null)) others.value = []
}
function take(other: string) {
  others.value = []
  emit('rename', other)
}
</script>

<template>
  <div class="heading" @focusout="left">
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
        @focus="suggest"
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
    <div v-if="others.length" class="others k-soft" role="group" aria-label="Other titles">
      or
      <button v-for="t in others" :key="t" class="k-link" type="button" @mousedown.prevent @click="take(t)">
        {{ t }}
      </button>
    </div>
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
.others {
  grid-column: var(--page-text);
  grid-row: 2;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  padding: 4px 0 2px;
  font: 400 14px/1.5 var(--sans);
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
