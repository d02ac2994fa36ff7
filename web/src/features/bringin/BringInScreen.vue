<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, must, says, type Accuracy } from '@/api/client'
import AccuracyChoice from '@/shared/AccuracyChoice.vue'
import SpokenChoice, { type Spoken } from '@/shared/SpokenChoice.vue'
import { count } from '@/shared/time'
import { useLoaded } from '@/shared/useLoaded'
import ArrivalList from './ArrivalList.vue'
import { dropped } from './dropped'
import FeedList from './FeedList.vue'
import FilesField from './FilesField.vue'
import FoundLinkRow from './FoundLinkRow.vue'
import LinkField from './LinkField.vue'
import { useUploads } from './uploads'
import { useLinks } from './useLinks'
import { isText, megabytes, titleFrom } from './sizes'

const uploads = useUploads()
const links = useLinks()
const chosenLinks = links.chosen
const feeds = links.feeds
const files = ref<{ file: File; title: string; heldOn: string; fileDay: string }[]>([])
const course = ref<string | null>(null)
const accuracy = ref<Accuracy>('accurate')
const spoken = ref<Spoken>({ language: null, byService: false, voices: null, model: null })
const problem = ref('')
const arrivals = ref<InstanceType<typeof ArrivalList>>()
const { value: library, load } = useLoaded(() => must(api.GET('/api/library')))
const { value: known } = useLoaded(() => must(api.GET('/api/languages')))
const courses = computed(() => library.value?.courses ?? [])
const languages = computed(() => known.value?.here.map((l) => l.name).join(' and ') ?? 'English')
const chosen = computed(() => files.value.length + chosenLinks.value.length)
const needsWriting = computed(
  () => files.value.some((f) => !isText(f.file.name)) || chosenLinks.value.some((l) => l.use !== 'instead'),
)

function take(more: File[]) {
  for (const file of more) {
    const day = new Date(file.lastModified || Date.now())
    const local = new Date(day.getTime() - day.getTimezoneOffset() * 60000).toISOString().slice(0, 10)
    files.value.push({ file, title: titleFrom(file.name), heldOn: local, fileDay: local })
  }
}
watch(dropped, () => take(dropped.value.splice(0)), { immediate: true, deep: true })

async function bring() {
  problem.value = ''
  const about = { course: course.value ?? '', accuracy: accuracy.value, spoken: { ...spoken.value } }
  for (const f of files.value.splice(0))
    uploads.send(f.file, { title: f.title, heldOn: f.heldOn, heldOnIsGuessed: f.heldOn === f.fileDay, ...about })
  if (!chosenLinks.value.length) return
  try {
    await links.bring(about.course, { accuracy: accuracy.value, ...spoken.value })
    await Promise.all([arrivals.value?.load(), load()])
  } catch (e) {
    problem.value = says(e)
  }
}
</script>

<template>
  <div class="k-column">
    <h1>Bring in</h1>
    <FilesField :languages="languages" @files="take" />
    <LinkField :links="links" />

    <form v-if="chosen" class="chosen" aria-label="About to be brought in" @submit.prevent="bring">
      <h2>{{ count(chosen, 'lecture') }} to bring in</h2>
      <div v-for="(f, i) in files" :key="`file ${i}`" class="file">
        <v-text-field
          v-model="f.title"
          label="Title"
          maxlength="200"
          :hint="`${f.file.name}, ${megabytes(f.file.size)}`"
          persistent-hint
        />
        <v-text-field v-model="f.heldOn" label="Date held" type="date" class="held" />
        <button class="k-quiet" type="button" @click="files.splice(i, 1)">Leave out</button>
      </div>
      <FoundLinkRow
        v-for="(l, i) in chosenLinks"
        :key="l.address"
        v-model="chosenLinks[i]!"
        @leave-out="chosenLinks.splice(i, 1)"
      />
      <v-combobox
        v-model="course"
        :label="chosen > 1 ? 'Course of all of them' : 'Course'"
        :items="courses"
        clearable
        placeholder="A new one, or one that you have"
      />
      <template v-if="needsWriting">
        <SpokenChoice v-model="spoken" />
        <AccuracyChoice v-if="!spoken.byService" v-model="accuracy" v-model:spoken="spoken" />
      </template>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <div>
        <v-btn type="submit">{{ chosen > 1 ? `Bring in ${chosen} lectures` : 'Bring in' }}</v-btn>
      </div>
    </form>

    <ArrivalList ref="arrivals" />
    <FeedList :found="feeds" :courses="courses" @taken="arrivals?.load()" />
  </div>
</template>

<style scoped>
.chosen {
  margin-top: 34px;
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
.problem {
  color: var(--wrong);
}
</style>
