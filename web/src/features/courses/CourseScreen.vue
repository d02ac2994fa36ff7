<script setup lang="ts">
import { computed, onUnmounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, must, type Lecture } from '@/api/client'
import RoutineSheet from '@/features/library/RoutineSheet.vue'
import { useLive } from '@/shared/live'
import { keepProposal } from '@/features/listening/keepProposal'
import { useNotice } from '@/shared/notice'
import { count, day, duration } from '@/shared/time'
import { useLoaded } from '@/shared/useLoaded'
import MiniStave from '@/stave/MiniStave.vue'
import CourseSheets from './CourseSheets.vue'
import RenameCourse from './RenameCourse.vue'

const props = defineProps<{ course: string }>()
const router = useRouter()
const notice = useNotice()
const {
  value: view,
  problem,
  load,
} = useLoaded(() => must(api.GET('/api/courses/{course}', { params: { path: { course: props.course } } })))
watch(() => props.course, load)
watch(
  () => props.course,
  (title) => (document.title = `${title} · Kostel`),
  { immediate: true },
)
const stop = useLive().listen((p) => {
  if (p.state !== 'running') void load()
})
onUnmounted(stop)
const isRenaming = ref(false)
const isRoutineOpen = ref(false)
const minutes = ref<number | null>(null)
const lectures = computed(() => view.value?.lectures ?? [])
const staves = computed(() => new Map(view.value?.staves.map((s) => [s.lectureId, s]) ?? []))
const total = computed(() => lectures.value.reduce((sum, l) => sum + l.durationMs, 0))
const heard = computed(() => lectures.value.reduce((sum, l) => sum + Math.min(l.heardMs, l.durationMs), 0))
const due = computed(() => lectures.value.reduce((sum, l) => sum + l.dueCount, 0))
const percent = (part: number, all: number) => (all ? Math.round((part / all) * 100) : 0)
const facts = (l: Lecture) => [
  l.heldOn ? day(l.heldOn) : '',
  duration(l.durationMs),
  l.heardMs > 0.02 * l.durationMs
    ? `${percent(Math.min(l.heardMs, l.durationMs), l.durationMs)} % heard`
    : 'not heard yet',
  l.isCorrected ? 'corrected' : '',
  l.cardCount ? `${l.practisedCount} of ${count(l.cardCount, 'card')} practised` : '',
]
const starts = (l: Lecture) => (staves.value.get(l.id)?.chapterStarts ?? []).map((startMs) => ({ startMs }))

async function propose() {
  const asked = minutes.value
  if (!asked) return
  const kept = await notice.attempt(() =>
    keepProposal(
      `${props.course}: ${asked} minutes`,
      lectures.value.map((l) => l.id),
      asked,
    ),
  )
  if (kept) void router.push({ name: 'plan', params: { id: kept.id } })
}
function renamed(title: string) {
  void router.replace({ name: 'course', params: { course: title } })
}
</script>

<template>
  <div class="k-column">
    <h1>{{ course }}</h1>
    <p v-if="problem" class="problem" role="alert">
      {{ problem }} <button class="k-link" type="button" @click="load">Try again</button>
    </p>
    <template v-if="view">
      <p class="k-facts k-soft">
        <span>{{ count(lectures.length, 'lecture') }}</span>
        <span>{{ duration(total) }}</span>
        <span>{{ percent(heard, total) }} % heard</span>
        <span v-if="due">{{ count(due, 'card') }} due</span>
        <span v-if="view.isArchived">out of the way</span>
      </p>
      <p class="acts">
        <router-link class="k-link" :to="{ name: 'ask', query: { course } }">Ask it</router-link>
        <router-link class="k-link" :to="{ name: 'search', query: { course } }">Search in it</router-link>
        <router-link class="k-link" :to="{ name: 'terms', params: { course } }">{{
          view.termCount ? count(view.termCount, 'term') : 'Terms'
        }}</router-link>
        <button class="k-link" type="button" @click="isRoutineOpen = true">Routine</button>
        <a v-if="lectures.length" class="k-link" :href="`/api/courses/${encodeURIComponent(course)}/archive`" download
          >Take all away</a
        >
        <button class="k-quiet" type="button" @click="isRenaming = true">Rename</button>
      </p>
      <form v-if="lectures.length" class="time" @submit.prevent="propose">
        <label>
          I have
          <input v-model.number="minutes" type="number" min="1" max="999" inputmode="numeric" aria-label="Minutes" />
          minutes
        </label>
        <button class="k-link" type="submit" :disabled="!minutes">Make a listening plan of what carries most</button>
      </form>
      <CourseSheets :key="course" :course="course" :lectures="lectures" />
      <p v-if="!lectures.length" class="k-soft empty">No lecture is in this course.</p>
      <ol class="k-rows">
        <li v-for="l in lectures" :key="l.id">
          <div class="head">
            <router-link class="title" :to="{ name: 'lecture', params: { id: l.id } }">{{ l.title }}</router-link>
            <span v-if="l.dueCount" class="k-due">{{ l.dueCount }} due</span>
          </div>
          <MiniStave
            :duration-ms="l.durationMs"
            :places="staves.get(l.id)?.marks ?? []"
            :heard="staves.get(l.id)?.heard ?? []"
            :chapters="starts(l)"
            :label="`${l.title}: ${count(starts(l).length, 'chapter')}, ${count(staves.get(l.id)?.marks.length ?? 0, 'mark')}`"
          />
          <div class="k-facts k-soft small">
            <span v-for="f in facts(l).filter(Boolean)" :key="f">{{ f }}</span>
          </div>
        </li>
      </ol>
      <RoutineSheet
        v-if="isRoutineOpen"
        :course="course"
        :lectures="lectures.length"
        @closed="isRoutineOpen = false"
        @changed="load"
      />
      <RenameCourse
        v-if="isRenaming"
        :course="course"
        :is-archived="view.isArchived"
        @closed="isRenaming = false"
        @renamed="renamed"
      />
    </template>
  </div>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  margin: 8px 0 4px;
}
.acts a:not(.v-btn) {
  text-decoration: none;
}
.time {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: baseline;
  margin-bottom: 18px;
}
.time input {
  width: 58px;
  margin: 0 6px;
  border-bottom: 1px solid var(--ink);
  font: 600 17px var(--serif);
  text-align: center;
  color: var(--ink);
}
ol {
  list-style: none;
}
li {
  padding: 12px 0 10px;
}
.head {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  margin-bottom: 6px;
}
.title:not(.v-btn) {
  font: 600 17px/1.35 var(--serif);
  color: var(--ink);
  text-decoration: none;
}
.title:hover {
  text-decoration: underline;
  text-decoration-color: var(--act);
  text-underline-offset: 4px;
}
.small {
  font-size: 14px;
  margin-top: 4px;
}
.problem {
  color: var(--wrong);
}
.empty {
  margin-top: 14px;
}
</style>
