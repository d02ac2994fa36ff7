<script setup lang="ts">
import { ref } from 'vue'
import { api, must, says, type Lecture } from '@/api/client'
import { useNotice } from '@/shared/notice'

const props = defineProps<{ lecture: Lecture }>()
const emit = defineEmits<{ closed: []; brought: [] }>()
const notice = useNotice()
const problem = ref('')
const isBusy = ref(false)
const picker = ref<HTMLInputElement>()

async function send(file: File | undefined) {
  if (!file) return
  problem.value = ''
  isBusy.value = true
  try {
    const answer = await fetch(`/api/lectures/${props.lecture.id}/text?name=${encodeURIComponent(file.name)}`, {
      method: 'POST',
      body: file,
    })
    const said = (await answer.json().catch(() => ({}))) as { detail?: string; aligned?: boolean }
    if (!answer.ok) {
      problem.value = said.detail ?? 'The text could not be brought in. Nothing was changed.'
      return
    }
    notice.tell(said.aligned ? 'The text took the times of what was heard.' : 'The text is there.')
    emit('brought')
    emit('closed')
  } catch {
    problem.value = 'Kostel does not answer. Nothing was changed; try again in a moment.'
  } finally {
    isBusy.value = false
    if (picker.value) picker.value.value = ''
  }
}
/** What tells one stream of captions from another. */
function name(c: Lecture['captionStreams'][number], i: number) {
  const language = c.language ? new Intl.DisplayNames(undefined, { type: 'language' }).of(c.language) : ''
  const said = [language, c.title].filter(Boolean).join(', ')
  return said ? `: ${said}` : props.lecture.captionStreams.length > 1 ? `, ${i + 1}` : ''
}

async function takeInside(index: number) {
  problem.value = ''
  isBusy.value = true
  try {
    await must(api.POST('/api/lectures/{id}/captions/{index}', { params: { path: { id: props.lecture.id, index } } }))
    notice.tell('The captions are the text now.')
    emit('brought')
    emit('closed')
  } catch (e) {
    problem.value = says(e)
  } finally {
    isBusy.value = false
  }
}
</script>

<template>
  <v-dialog :model-value="true" aria-label="Bring in a text" @update:model-value="emit('closed')">
    <div class="k-sheet" @dragover.prevent @drop.prevent.stop="send($event.dataTransfer?.files[0])">
      <h2>Bring in a text</h2>
      <p>
        Captions (srt, vtt), a table (tsv), Kostel JSON, Markdown or plain text take the place of what is written here.
        {{ lecture.hasSound ? 'A text without times takes those of the words that were heard.' : '' }}
      </p>
      <p class="k-soft">
        The text that is here now is kept, and can be taken back under “Transcribe again”. A track of chapters changes
        the chapters alone.
      </p>
      <ul v-if="lecture.captionStreams.length" class="k-rows" aria-label="Captions inside of the file">
        <li v-for="(c, i) in lecture.captionStreams" :key="c.index">
          <span>Captions inside of the file{{ name(c, i) }}</span>
          <button class="k-link" type="button" :disabled="isBusy" @click="takeInside(c.index)">Take them</button>
        </li>
      </ul>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <div class="row">
        <v-btn :loading="isBusy" @click="picker?.click()">Choose the file</v-btn>
        <v-btn variant="text" @click="emit('closed')">Close</v-btn>
      </div>
      <input
        ref="picker"
        class="picker"
        type="file"
        accept=".srt,.vtt,.tsv,.json,.txt,.md"
        aria-label="Choose the file"
        @change="send(picker?.files?.[0])"
      />
    </div>
  </v-dialog>
</template>

<style scoped>
.problem {
  color: var(--wrong);
}
li {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  padding: 10px 0;
}
.row {
  display: flex;
  gap: 8px;
}
.picker {
  position: absolute;
  width: 1px;
  height: 1px;
  opacity: 0;
}
</style>
