<script setup lang="ts">
import { computed } from 'vue'
import type { Lecture } from '@/api/client'
import { count, duration } from '@/shared/time'

const props = defineProps<{ course: string; lectures: readonly Lecture[]; isChosen: boolean }>()
const emit = defineEmits<{ choose: [isOn: boolean]; more: [button: HTMLElement] }>()
const total = computed(() => props.lectures.reduce((sum, l) => sum + l.durationMs, 0))
</script>

<template>
  <li class="heading">
    <input
      type="checkbox"
      :checked="isChosen"
      :aria-label="`Choose all of ${course || 'those without a course'}`"
      @change="emit('choose', ($event.target as HTMLInputElement).checked)"
    />
    <h2>
      <router-link v-if="course" :to="{ name: 'course', params: { course } }">{{ course }}</router-link>
      <template v-else>Without a course</template>
    </h2>
    <span class="k-soft facts">{{ count(lectures.length, 'lecture') }} · {{ duration(total) }}</span>
    <button
      v-if="course"
      class="k-quiet more"
      type="button"
      aria-haspopup="menu"
      :aria-label="`More for the course ${course}`"
      @click="emit('more', $event.currentTarget as HTMLElement)"
    >
      ⋯
    </button>
  </li>
</template>

<style scoped>
.heading {
  display: grid;
  grid-template-columns: 28px minmax(0, 1fr) max-content max-content;
  column-gap: 8px;
  align-items: baseline;
  padding: 30px 0 6px;
  border-bottom: 1px solid var(--ink);
}
h2 a:not(.v-btn) {
  color: var(--ink);
  text-decoration: none;
}
h2 a:hover {
  text-decoration: underline;
  text-decoration-color: var(--act);
  text-underline-offset: 4px;
}
.facts {
  font-size: 14px;
}
.more {
  font-size: 18px;
  line-height: 1;
  padding: 4px 8px;
}
</style>
