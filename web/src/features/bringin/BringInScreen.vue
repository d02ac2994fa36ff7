<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, must, type Accuracy } from '@/api/client'
import AccuracyChoice from '@/shared/AccuracyChoice.vue'
import SpokenChoice, { type Spoken } from '@/shared/SpokenChoice.vue'
import { useLoaded } from '@/shared/useLoaded'
import { useUploads } from './uploads'
import UploadList from './UploadList.vue'
import { isText, megabytes, titleFrom } from './sizes'

const uploads = useUploads()
const chosen = ref<{ file: File; title: string; heldOn: string }[]>([])
const course = ref<string | null>(null)
const { value: library } = useLoaded(() => must(api.GET('/api/library')))
const { value: known } = useLoaded(() => must(api.GET('/api/languages')))
const courses = computed(() => library.value?.courses ?? [])
const languages = computed(() => known.value?.here.map((l) => l.name).join(' and ') ?? 'English')
const accuracy = ref<Accuracy>('accurate')
const spoken = ref<Spoken>({ language: null, byService: false, voices: null })
const isOver = ref(false)
const picker = ref<HTMLInputElement>()

function take(files: FileList | null | undefined) {
  for (const file of files ?? []) {
    const day = new Date(file.lastModified || Date.now())
    const local = new Date(day.getTime() - day.getTimezoneOffset() * 60000).toISOString().slice(0, 10)
    chosen.value.push({ file, title: titleFrom(file.name), heldOn: local })
  }
  isOver.value = false
  if (picker.value) picker.value.value = ''
}

function send() {
  const about = { course: course.value ?? '', accuracy: accuracy.value, spoken: { ...spoken.value } }
  for (const c of chosen.value) uploads.send(c.file, { title: c.title, heldOn: c.heldOn, ...about })
  chosen.value = []
}
</script>

<template>
  <div class="k-column">
    <h1>Bring in</h1>
    <div
      class="drop"
      :class="{ over: isOver }"
      @dragover.prevent="isOver = true"
      @dragleave="isOver = false"
      @drop.prevent="take($event.dataTransfer?.files)"
    >
      <p class="big">Drop recordings, videos or texts here</p>
      <p>or <button class="k-link" type="button" @click="picker?.click()">choose files</button></p>
      <p class="k-soft small">
        mp3, m4a, wav, ogg, opus, flac, mp4, webm, mkv, mov and more, up to 20 GB each · captions and texts: srt, vtt,
        tsv, Kostel JSON, txt, md · spoken
        <router-link :to="{ name: 'languages' }">{{ languages }}</router-link> · nothing leaves this computer unless you
        say so
      </p>
      <input
        ref="picker"
        class="picker"
        type="file"
        multiple
        accept="audio/*,video/*,.mkv,.opus,.m4a,.srt,.vtt,.tsv,.json,.txt,.md"
        aria-label="Choose files"
        @change="take(picker?.files)"
      />
    </div>

    <form v-if="chosen.length" class="chosen" @submit.prevent="send">
      <div v-for="(c, i) in chosen" :key="i" class="file">
        <v-text-field
          v-model="c.title"
          label="Title"
          maxlength="200"
          :hint="`${c.file.name}, ${megabytes(c.file.size)}`"
          persistent-hint
        />
        <v-text-field v-model="c.heldOn" label="Date held" type="date" class="held" />
        <button class="k-quiet" type="button" @click="chosen.splice(i, 1)">Leave out</button>
      </div>
      <v-combobox
        v-model="course"
        label="Course"
        :items="courses"
        clearable
        placeholder="A new one, or one that you have"
      />
      <template v-if="chosen.some((c) => !isText(c.file.name))">
        <SpokenChoice v-model="spoken" />
        <AccuracyChoice v-if="!spoken.byService" v-model="accuracy" />
      </template>
      <div>
        <v-btn type="submit">{{ chosen.length > 1 ? `Bring in ${chosen.length} lectures` : 'Bring in' }}</v-btn>
      </div>
    </form>
    <UploadList />
  </div>
</template>

<style scoped>
.drop {
  margin-top: 20px;
  border: 1.5px dashed var(--faint);
  background: var(--sheet);
  padding: 44px 24px;
  text-align: center;
}
.drop.over {
  border-color: var(--act);
  background: var(--seawash);
}
.big {
  font: 600 19px var(--serif);
}
.small {
  font-size: 14px;
  margin-top: 14px;
}
.picker {
  position: absolute;
  width: 1px;
  height: 1px;
  opacity: 0;
}
.chosen {
  margin-top: 24px;
  display: grid;
  gap: 16px;
}
.file {
  display: flex;
  gap: 20px;
  align-items: baseline;
  flex-wrap: wrap;
}
.file > :first-child {
  flex: 1 1 280px;
}
.held {
  flex: 0 1 170px;
}
</style>
