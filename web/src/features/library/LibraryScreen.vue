<script setup lang="ts">
import { computed, onUnmounted, ref, watch } from 'vue'
import { api, must, type Lecture } from '@/api/client'
import { useLoaded } from '@/shared/useLoaded'
import { useNotice } from '@/shared/notice'
import { useLive } from '@/shared/live'
import { count } from '@/shared/time'
import { useBitByBit } from '@/shared/useBitByBit'
import { useUploads } from '@/features/bringin/uploads'
import UploadList from '@/features/bringin/UploadList.vue'
import RenameCourse from '@/features/courses/RenameCourse.vue'
import { useCourses } from '@/features/courses/useCourses'
import ChosenBar from './ChosenBar.vue'
import CourseHeading from './CourseHeading.vue'
import EditLecture from './EditLecture.vue'
import EmptyBin from './EmptyBin.vue'
import LibraryRow from './LibraryRow.vue'
import { orders, shows, useChosen, useLibraryView } from './useLibraryView'

const live = useLive()
const notice = useNotice()
const uploads = useUploads()
const { value: library, problem, load } = useLoaded(() => must(api.GET('/api/library')))
const courses = computed(() => library.value?.courses ?? [])
const archived = computed(() => library.value?.archived ?? [])
const bin = computed(() => library.value?.bin ?? [])
const lectures = computed(() =>
  (library.value?.lectures ?? [])
    .filter((l) => !l.course || !archived.value.includes(l.course))
    .map((l) => {
      const now = live.reports.get(l.id)
      return l.progress ? { ...l, progress: now?.state === 'done' ? null : (now ?? l.progress) } : l
    }),
)
const { text, show, order, rows, isNarrowed } = useLibraryView(lectures, courses)
const { chosen, choose, chooseAll, clear, ids } = useChosen(rows)
const { shown, again } = useBitByBit(rows)
watch([text, show, order], again)
const editing = ref<Lecture | null>(null)
const isEmptying = ref(false)
const renaming = ref<string | null>(null)
const { reorder, archive } = useCourses(courses, load)
const choices = (all: Record<string, string>) => Object.entries(all).map(([value, title]) => ({ value, title }))

/** One menu for the row whose button was pressed: six hundred of them would be six hundred menus. */
const menu = ref<{ target: HTMLElement; lecture?: Lecture; course?: string } | null>(null)
const isMenuOpen = computed({ get: () => menu.value !== null, set: (open) => open || (menu.value = null) })

async function remove(lecture: Lecture) {
  await notice.attempt(() => must(api.DELETE('/api/lectures/{id}', { params: { path: { id: lecture.id } } })))
  await load()
  notice.tell(`“${lecture.title}” is in the bin.`, () => restore(lecture))
}

async function restore(lecture: Lecture) {
  await notice.attempt(() => must(api.POST('/api/lectures/{id}/restore', { params: { path: { id: lecture.id } } })))
  await load()
}

async function done() {
  clear()
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
    <section v-if="library && library.lectures.length === 0" class="empty">
      <p>Your lectures stand here, by course.</p>
      <v-btn :to="{ name: 'bring-in' }">Bring in a recording</v-btn>
    </section>
    <div v-if="lectures.length" class="view">
      <v-text-field v-model="text" label="Title or course" clearable @click:clear="text = ''" />
      <v-select v-model="show" label="Show" :items="choices(shows)" />
      <v-select v-model="order" label="In order" :items="choices(orders)" />
    </div>
    <p v-if="isNarrowed" class="k-soft" role="status">{{ count(ids.length, 'lecture') }}</p>
    <ul class="list">
      <template v-for="r in shown" :key="r.key">
        <LibraryRow
          v-if="'lecture' in r"
          :lecture="r.lecture"
          :is-chosen="chosen.has(r.lecture.id)"
          :shows-course="order !== 'course'"
          @choose="(isOn, isRange) => choose(r.lecture.id, isOn, isRange)"
          @more="menu = { target: $event, lecture: r.lecture }"
          @changed="load"
        />
        <CourseHeading
          v-else
          :course="r.course"
          :lectures="r.lectures"
          :is-chosen="r.lectures.every((l) => chosen.has(l.id))"
          @choose="
            chooseAll(
              r.lectures.map((l) => l.id),
              $event,
            )
          "
          @more="menu = { target: $event, course: r.course }"
        />
      </template>
    </ul>
    <ChosenBar v-if="chosen.size" :ids="[...chosen]" :courses="courses" :renew="done" @clear="clear" />
    <v-menu v-model="isMenuOpen" :target="menu?.target" location="bottom end">
      <v-list v-if="menu?.lecture">
        <v-list-item title="Title, date, course" @click="editing = menu.lecture" />
        <v-list-item title="Put in the bin" @click="remove(menu.lecture)" />
      </v-list>
      <v-list v-else-if="menu?.course">
        <v-list-item title="Open the course" :to="{ name: 'course', params: { course: menu.course } }" />
        <v-list-item title="Rename" @click="renaming = menu.course" />
        <v-list-item title="Further up" @click="reorder(menu.course, -1)" />
        <v-list-item title="Further down" @click="reorder(menu.course, 1)" />
        <v-list-item title="Put out of the way" @click="archive(menu.course, true)" />
      </v-list>
    </v-menu>
    <details v-if="archived.length" class="bin">
      <summary class="k-soft">Out of the way: {{ count(archived.length, 'course') }}</summary>
      <ul class="k-rows">
        <li v-for="c in archived" :key="c" class="gone">
          <router-link :to="{ name: 'course', params: { course: c } }">{{ c }}</router-link>
          <button class="k-link" type="button" @click="archive(c, false)">Bring back</button>
        </li>
      </ul>
    </details>
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
    <EmptyBin v-if="isEmptying" :count="bin.length" @closed="isEmptying = false" @emptied="load" />
    <EditLecture v-if="editing" :lecture="editing" :courses="courses" @closed="editing = null" @saved="load" />
    <RenameCourse v-if="renaming" :course="renaming" @closed="renaming = null" @renamed="load" />
  </div>
</template>

<style scoped>
.view {
  display: grid;
  grid-template-columns: 2fr 1fr 1fr;
  gap: 6px 24px;
  margin-top: 14px;
}
.list {
  list-style: none;
  padding: 0;
}
.bin {
  margin-top: 40px;
}
.bin + .bin {
  margin-top: 14px;
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
@media (max-width: 620px) {
  .view {
    grid-template-columns: 1fr 1fr;
  }
  .view > :first-child {
    grid-column: 1 / -1;
  }
}
</style>
