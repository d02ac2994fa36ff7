<script setup lang="ts">
import { computed, onUnmounted, ref } from 'vue'
import { api, must, type Lecture } from '@/api/client'
import LectureLine from '@/shared/LectureLine.vue'
import { useLoaded } from '@/shared/useLoaded'
import { useNotice } from '@/shared/notice'
import { useLive } from '@/shared/live'
import { useUploads } from '@/features/bringin/uploads'
import UploadList from '@/features/bringin/UploadList.vue'
import EditLecture from './EditLecture.vue'
import EmptyBin from './EmptyBin.vue'
import RoutineSheet from './RoutineSheet.vue'

const live = useLive()
const notice = useNotice()
const uploads = useUploads()
const { value: library, problem, load } = useLoaded(() => must(api.GET('/api/library')))
const lectures = computed(() => library.value?.lectures ?? null)
const courses = computed(() => library.value?.courses ?? [])
const bin = computed(() => library.value?.bin ?? [])
const editing = ref<Lecture | null>(null)
const isEmptying = ref(false)
const routineOf = ref<string | null>(null)

const groups = computed(() => {
  const byCourse = new Map<string, Lecture[]>()
  for (const l of lectures.value ?? []) {
    const now = live.reports.get(l.id)
    const shown = l.progress ? { ...l, progress: now?.state === 'done' ? null : (now ?? l.progress) } : l
    const name = l.course ?? ''
    byCourse.set(name, [...(byCourse.get(name) ?? []), shown])
  }
  return [...byCourse].sort(([a], [b]) => (a === '' ? 1 : b === '' ? -1 : a.localeCompare(b)))
})

async function remove(lecture: Lecture) {
  await notice.attempt(() => must(api.DELETE('/api/lectures/{id}', { params: { path: { id: lecture.id } } })))
  await load()
  notice.tell(`“${lecture.title}” is in the bin.`, () => restore(lecture))
}

async function restore(lecture: Lecture) {
  await notice.attempt(() => must(api.POST('/api/lectures/{id}/restore', { params: { path: { id: lecture.id } } })))
  await load()
}

const stop = live.listen((p) => {
  if (p.state !== 'running') void load()
})
const stopUploads = uploads.onFinished(load)
onUnmounted(() => {
  stop()
  stopUploads()
})
</script>

<template>
  <div class="k-column">
    <h1>Library</h1>
    <p v-if="problem" class="problem" role="alert">
      {{ problem }} <button class="k-link" type="button" @click="load">Try again</button>
    </p>
    <UploadList />
    <section v-if="lectures && lectures.length === 0" class="empty">
      <p>Your lectures stand here, by course.</p>
      <v-btn :to="{ name: 'bring-in' }">Bring in a recording</v-btn>
    </section>
    <section v-for="[course, list] in groups" :key="course" :aria-label="course || 'Without a course'">
      <div class="head">
        <h2>{{ course || 'Without a course' }}</h2>
        <span v-if="course" class="acts">
          <router-link class="k-quiet" :to="{ name: 'terms', params: { course } }">Terms</router-link>
          <button class="k-quiet" type="button" @click="routineOf = course">Routine</button>
        </span>
      </div>
      <ul class="k-rows">
        <li v-for="l in list" :key="l.id">
          <LectureLine :lecture="l" @changed="load">
            <span v-if="l.dueCount" class="k-due">{{ l.dueCount }} due</span>
            <v-menu location="bottom end">
              <template #activator="{ props: menu }">
                <button class="k-quiet more" type="button" :aria-label="`More for ${l.title}`" v-bind="menu">⋯</button>
              </template>
              <v-list>
                <v-list-item title="Title, date, course" @click="editing = l" />
                <v-list-item title="Put in the bin" @click="remove(l)" />
              </v-list>
            </v-menu>
          </LectureLine>
        </li>
      </ul>
    </section>
    <details v-if="bin.length" class="bin">
      <summary class="k-soft">In the bin: {{ bin.length }}</summary>
      <ul class="k-rows">
        <li v-for="l in bin" :key="l.id" class="gone">
          <span>{{ l.title }}</span>
          <button class="k-link" type="button" @click="restore(l)">Bring back</button>
        </li>
      </ul>
      <p class="k-soft emptying">
        What lies here goes for good after 30 days.
        <button class="k-link" type="button" @click="isEmptying = true">Empty the bin now</button>
      </p>
    </details>
    <RoutineSheet
      v-if="routineOf"
      :course="routineOf"
      :lectures="(lectures ?? []).filter((l) => l.course === routineOf).length"
      @closed="routineOf = null"
      @changed="load"
    />
    <EmptyBin v-if="isEmptying" :count="bin.length" @closed="isEmptying = false" @emptied="load" />
    <EditLecture v-if="editing" :lecture="editing" :courses="courses" @closed="editing = null" @saved="load" />
  </div>
</template>

<style scoped>
section {
  margin-top: 30px;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 16px;
  margin-bottom: 6px;
}
.acts {
  display: flex;
  gap: 18px;
}
.more {
  font-size: 18px;
  line-height: 1;
  padding: 2px 4px;
}
.bin {
  margin-top: 40px;
}
.emptying {
  font-size: 14px;
  padding-top: 8px;
}
.gone {
  display: flex;
  justify-content: space-between;
  padding: 8px 0;
}
.problem {
  color: var(--wrong);
  margin-top: 12px;
}
.empty p {
  margin-bottom: 16px;
}
</style>
