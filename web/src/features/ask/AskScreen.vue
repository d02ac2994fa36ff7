<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Evidence } from '@/api/client'
import { usePlayedHit } from '@/shared/usePlayedHit'
import ThreadPanel from './ThreadPanel.vue'

/** Asking a course, or everything. */
const route = useRoute()
const router = useRouter()
const { playing, toggle } = usePlayedHit()
const one = (name: string) => (typeof route.query[name] === 'string' ? route.query[name] : undefined)
const course = computed(() => one('course'))
const place = computed(() => (course.value === undefined ? {} : { course: course.value }))
const threadId = computed(() => Number(one('thread')) || null)
const opened = (id: number | null) =>
  void router.replace({ query: { course: course.value, thread: id === null ? undefined : String(id) } })
const hear = (line: Evidence) => void toggle(line.lectureId, line.startMs, line.endMs)
</script>

<template>
  <div class="k-column asking">
    <header>
      <h1>Ask {{ course ?? 'everything' }}</h1>
      <router-link v-if="course" class="k-link" :to="{ name: 'ask' }">Ask everything instead</router-link>
    </header>
    <ThreadPanel
      :key="course ?? ''"
      class="panel"
      :place="place"
      :placeholder="course === undefined ? 'Ask all your lectures' : 'Ask the lectures of this course'"
      :begin="one('q')"
      :thread-id="threadId"
      :playing="playing"
      @hear="hear"
      @opened="opened"
    >
      <template #lead>
        Answers are the lecturers’ own sentences, each with its lecture and its time. You can say where to look: “in the
        last two lectures”, “since 3 November”, “what did the guest say about …”.
      </template>
    </ThreadPanel>
  </div>
</template>

<style scoped>
.asking {
  display: flex;
  flex-direction: column;
  height: calc(100dvh - 52px);
  padding-bottom: 0;
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 24px;
  margin-bottom: 10px;
}
.asking :deep(.body),
.asking :deep(.ask) {
  padding-left: 0;
  padding-right: 0;
  margin-left: 0;
  margin-right: 0;
}
</style>
