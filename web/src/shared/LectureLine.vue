<script setup lang="ts">
import type { Lecture } from '@/api/client'
import JobBar from './JobBar.vue'
import { count, day, duration } from './time'

defineProps<{ lecture: Lecture; withCourse?: boolean }>()
const emit = defineEmits<{ changed: [] }>()
</script>

<template>
  <div class="lecture">
    <div class="what">
      <router-link class="title" :to="{ name: 'lecture', params: { id: lecture.id } }">{{ lecture.title }}</router-link>
      <div class="k-facts k-soft">
        <span v-if="withCourse && lecture.course">{{ lecture.course }}</span>
        <span v-if="lecture.heldOn">{{ day(lecture.heldOn) }}</span>
        <span v-if="lecture.durationMs">{{ duration(lecture.durationMs) }}</span>
        <span v-if="lecture.hasPicture">video</span>
        <span v-if="lecture.chapterCount">{{ count(lecture.chapterCount, 'chapter') }}</span>
        <span v-if="lecture.cardCount">{{ count(lecture.cardCount, 'card') }}</span>
      </div>
      <JobBar v-if="lecture.progress" :progress="lecture.progress" @changed="emit('changed')">
        <slot name="job" />
      </JobBar>
      <p v-else-if="lecture.notice" class="notice">{{ lecture.notice }}</p>
    </div>
    <div class="side"><slot /></div>
  </div>
</template>

<style scoped>
.lecture {
  display: flex;
  gap: 20px;
  justify-content: space-between;
  align-items: flex-start;
  padding: 12px 0;
}
.what {
  flex: 1;
  min-width: 0;
}
.what .title {
  font: 600 17px/1.35 var(--serif);
  color: var(--ink);
  text-decoration: none;
  overflow-wrap: anywhere;
}
.title:hover {
  text-decoration: underline;
  text-decoration-color: var(--act);
  text-underline-offset: 4px;
}
.k-facts {
  font-size: 14px;
}
.notice {
  font-size: 14px;
  max-width: 560px;
  border-left: 3px solid var(--buff);
  padding-left: 8px;
  margin-top: 4px;
}
.side {
  display: flex;
  gap: 16px;
  align-items: baseline;
  white-space: nowrap;
}
</style>
