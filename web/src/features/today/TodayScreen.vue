<script setup lang="ts">
import { computed, onUnmounted } from 'vue'
import { api, must } from '@/api/client'
import PlanList from '@/features/listening/PlanList.vue'
import LectureLine from '@/shared/LectureLine.vue'
import { useLive } from '@/shared/live'
import { clock, count } from '@/shared/time'
import { useLoaded } from '@/shared/useLoaded'
import { useNotice } from '@/shared/notice'
import FirstSteps from './FirstSteps.vue'
import UnfinishedUploads from './UnfinishedUploads.vue'

/** More are listed under Bring in. */
const mostWorking = 6
const live = useLive()
const notice = useNotice()
const {
  value: today,
  problem,
  load,
} = useLoaded(
  () => must(api.GET('/api/today')),
  (now) => (live.dueCount = now.dueCount),
)
const heading = computed(() =>
  (today.value ? new Date(`${today.value.day}T12:00:00`) : new Date()).toLocaleDateString(undefined, {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
  }),
)

const working = computed(() =>
  (today.value?.working ?? [])
    .map((l) => ({ ...l, progress: live.reports.get(l.id) ?? l.progress }))
    .filter((l) => l.progress?.state !== 'done'),
)
const atWork = computed(
  () => working.value.filter((l) => l.progress?.state === 'running' || l.progress?.state === 'waiting').length,
)
async function stopAll() {
  await notice.attempt(() => must(api.POST('/api/jobs/cancel')))
  notice.tell('All work is stopped. What was recognised so far is kept.')
  await load()
}
const stop = live.listen((p) => {
  if (p.state === 'done' || p.state === 'failed') void load()
})
onUnmounted(stop)
</script>

<template>
  <div class="k-column">
    <p class="k-soft date">{{ heading }}</p>
    <h1>Today</h1>
    <p v-if="problem" class="problem" role="alert">
      {{ problem }} <button class="k-link" type="button" @click="load">Try again</button>
    </p>
    <FirstSteps />
    <p v-if="!today && !problem" class="k-soft wait">Looking at what is due</p>
    <template v-if="today">
      <section v-if="today.lectureCount === 0" class="empty">
        <h2>Nothing here yet</h2>
        <p>
          Bring in a lecture: a recording of yours, or a video. Kostel writes it down and you can read, ask and
          practise.
        </p>
        <v-btn :to="{ name: 'bring-in' }">Bring in a recording</v-btn>
      </section>

      <section v-if="today.dueCount" aria-labelledby="due">
        <div class="head">
          <h2 id="due">
            Due <span class="k-due">{{ today.dueCount }}</span>
          </h2>
          <v-btn :to="{ name: 'review' }">Go through {{ count(today.dueCount, 'card') }}</v-btn>
        </div>
        <ul class="k-rows">
          <li v-for="l in today.due" :key="l.id">
            <LectureLine :lecture="l" with-course>
              <router-link class="k-link" :to="{ name: 'review', query: { lecture: l.id } }">{{
                count(l.dueCount, 'card')
              }}</router-link>
            </LectureLine>
          </li>
        </ul>
        <p v-if="today.dueLectures > today.due.length" class="k-soft more">
          And {{ count(today.dueLectures - today.due.length, 'more lecture') }} with cards that are due.
        </p>
      </section>
      <section v-else-if="today.lectureCount" class="quiet">
        <h2>Nothing is due</h2>
        <p class="k-soft">
          {{
            today.reviewedToday
              ? `${count(today.reviewedToday, 'card')} gone through today.`
              : 'Make cards from a lecture, and they come back here when you are about to forget them.'
          }}
        </p>
      </section>

      <section v-if="today.unclear.length" aria-labelledby="unclear">
        <h2 id="unclear">Still unclear</h2>
        <ul class="k-rows">
          <li v-for="u in today.unclear" :key="u.id" class="unclear">
            <router-link
              :to="{ name: 'lecture', params: { id: u.lectureId }, query: { t: Math.floor(u.startMs / 1000) } }"
            >
              {{ u.text || u.quote || 'A moment' }}
            </router-link>
            <p class="k-soft">
              {{ u.lectureTitle }}, <span class="k-time">{{ clock(u.startMs) }}</span>
              <template v-if="u.text && u.quote"> · “{{ u.quote }}”</template>
            </p>
          </li>
        </ul>
        <p v-if="today.unclearCount > today.unclear.length" class="k-soft more">
          And {{ today.unclearCount - today.unclear.length }} more, under Marks of each lecture.
        </p>
      </section>

      <section v-if="working.length" aria-labelledby="working">
        <div class="head">
          <h2 id="working">Being worked on</h2>
          <span class="acts">
            <router-link class="k-quiet" :to="{ name: 'bring-in' }">All that is on its way</router-link>
            <button v-if="atWork > 1" class="k-quiet" type="button" @click="stopAll">Stop all {{ atWork }}</button>
          </span>
        </div>
        <ul class="k-rows">
          <li v-for="l in working.slice(0, mostWorking)" :key="l.id">
            <LectureLine :lecture="l" with-course @changed="load" />
          </li>
        </ul>
      </section>

      <UnfinishedUploads :uploads="today.unfinished" @changed="load" />

      <PlanList />

      <section v-if="today.new.length" aria-labelledby="new">
        <h2 id="new">New</h2>
        <ul class="k-rows">
          <li v-for="l in today.new" :key="l.id"><LectureLine :lecture="l" with-course /></li>
        </ul>
        <p v-if="today.newCount > today.new.length" class="k-soft more">
          And {{ today.newCount - today.new.length }} more that you have not opened, in the
          <router-link class="k-link" :to="{ name: 'library' }">library</router-link>.
        </p>
      </section>
    </template>
  </div>
</template>

<style scoped>
.date {
  margin-bottom: -2px;
}
section {
  margin-top: 34px;
}
h2 {
  margin-bottom: 8px;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  flex-wrap: wrap;
  gap: 8px;
  margin-bottom: 10px;
}
.head h2 {
  margin: 0;
}
.empty p,
.quiet p {
  max-width: 560px;
  margin-bottom: 16px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
}
.wait {
  margin-top: 34px;
}
.unclear {
  padding: 10px 0;
}
.unclear a {
  font: 600 16px/1.35 var(--serif);
  color: var(--ink);
  text-decoration: none;
  overflow-wrap: anywhere;
}
.unclear a:hover {
  text-decoration: underline;
  text-decoration-color: var(--act);
  text-underline-offset: 4px;
}
.unclear p {
  font-size: 14px;
}
.more {
  padding-top: 8px;
}
.problem {
  color: var(--wrong);
  margin-top: 12px;
}
</style>
